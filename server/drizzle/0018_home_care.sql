CREATE TABLE "dewpond"."home_tick" (
	"business_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"key" text NOT NULL,
	"day" date NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"ticked_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "home_tick_business_id_dog_id_key_day_pk" PRIMARY KEY("business_id","dog_id","key","day")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."home_tick" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "feed_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "feed_hash" text;--> statement-breakpoint
ALTER TABLE "dewpond"."owner_link" ADD COLUMN "calendar_hash" text;--> statement-breakpoint
ALTER TABLE "dewpond"."home_tick" ADD CONSTRAINT "home_tick_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "home_tick_by_day" ON "dewpond"."home_tick" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE UNIQUE INDEX "owner_link_by_calendar" ON "dewpond"."owner_link" USING btree ("business_id","calendar_hash");--> statement-breakpoint
CREATE POLICY "home_tick_of_this_business" ON "dewpond"."home_tick" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
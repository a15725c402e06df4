CREATE TABLE "dewpond"."home_photo" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"made_from" text NOT NULL,
	"sent_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "home_photo_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."home_photo" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."home_photo" ADD CONSTRAINT "home_photo_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "home_photo_by_dog" ON "dewpond"."home_photo" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE POLICY "home_photo_of_this_business" ON "dewpond"."home_photo" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
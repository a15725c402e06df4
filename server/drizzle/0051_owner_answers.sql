CREATE TABLE "dewpond"."owner_answer" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"says" text NOT NULL,
	"appointment_id" uuid,
	"note" text DEFAULT '' NOT NULL,
	"told_at" timestamp with time zone NOT NULL,
	"seen_at" timestamp with time zone,
	"seen_by" text,
	"person_id" uuid,
	CONSTRAINT "owner_answer_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."owner_answer" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."visit_offer" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"set_id" uuid NOT NULL,
	"message_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"minutes" integer NOT NULL,
	"instead_of" uuid,
	CONSTRAINT "visit_offer_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."visit_offer" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "reminds_at" integer;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "confirmed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "dewpond"."message" ADD COLUMN "with_dogs" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."owner_answer" ADD CONSTRAINT "owner_answer_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_offer" ADD CONSTRAINT "visit_offer_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_offer" ADD CONSTRAINT "visit_offer_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_offer" ADD CONSTRAINT "visit_offer_business_id_message_id_message_business_id_id_fk" FOREIGN KEY ("business_id","message_id") REFERENCES "dewpond"."message"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "owner_answer_by_time" ON "dewpond"."owner_answer" USING btree ("business_id","told_at");--> statement-breakpoint
CREATE INDEX "visit_offer_by_dog" ON "dewpond"."visit_offer" USING btree ("business_id","dog_id","starts_at");--> statement-breakpoint
CREATE POLICY "owner_answer_of_this_business" ON "dewpond"."owner_answer" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "visit_offer_of_this_business" ON "dewpond"."visit_offer" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
-- As every table of a business.
ALTER TABLE "dewpond"."owner_answer" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."visit_offer" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."owner_answer", "dewpond"."visit_offer" TO dewpond_app;

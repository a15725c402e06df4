CREATE TABLE "dewpond"."away" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"member_id" uuid,
	"from_day" date NOT NULL,
	"to_day" date NOT NULL,
	"name" text NOT NULL,
	"person_id" uuid,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "away_business_id_id_pk" PRIMARY KEY("business_id","id"),
	CONSTRAINT "away_ends_after_it_begins" CHECK ("dewpond"."away"."to_day" >= "dewpond"."away"."from_day")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."away" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."week_plan" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"first_day" date NOT NULL,
	"prices" jsonb NOT NULL,
	CONSTRAINT "week_plan_business_id_pk" PRIMARY KEY("business_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "plan_costs" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "places" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "week" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD COLUMN "wishes" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "needs" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ADD COLUMN "in_weeks" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "cancelled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "cancelled_by" text;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "may_move" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "series_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."away" ADD CONSTRAINT "away_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."away" ADD CONSTRAINT "away_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD CONSTRAINT "week_plan_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "away_by_day" ON "dewpond"."away" USING btree ("business_id","to_day");--> statement-breakpoint
CREATE POLICY "away_of_this_business" ON "dewpond"."away" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "week_plan_of_this_business" ON "dewpond"."week_plan" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
-- As every table of a business.
ALTER TABLE "dewpond"."away" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."away", "dewpond"."week_plan" TO dewpond_app;
--> statement-breakpoint
-- The time of a dog that did not come is free, too.
ALTER TABLE "dewpond"."appointment" DROP CONSTRAINT "appointment_not_twice";
--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD CONSTRAINT "appointment_not_twice"
  EXCLUDE USING gist (business_id WITH =, member_id WITH =, tstzrange(starts_at, ends_at) WITH &&)
  WHERE (state NOT IN ('cancelled', 'no show'));
--> statement-breakpoint
-- What weeks are planned with is worked out with what is due.
UPDATE "dewpond"."dog_due" SET "made_on" = NULL, "touched" = gen_random_uuid();

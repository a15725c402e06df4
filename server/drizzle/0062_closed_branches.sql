ALTER TABLE "dewpond"."import_run" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
UPDATE "dewpond"."import_run" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."import_run" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "dewpond"."away" ADD COLUMN "branch_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."import_run" ADD CONSTRAINT "import_run_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."away" ADD CONSTRAINT "away_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."away" ADD CONSTRAINT "away_is_a_person_or_a_branch" CHECK ("dewpond"."away"."member_id" is null or "dewpond"."away"."branch_id" is null);
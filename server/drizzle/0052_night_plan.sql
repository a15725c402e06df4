ALTER TABLE "dewpond"."member" ADD COLUMN "skills" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD COLUMN "made_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD COLUMN "plan" jsonb;--> statement-breakpoint
-- What falls to home care is worked out with what weeks are planned with.
UPDATE "dewpond"."dog_due" SET "made_on" = NULL, "touched" = gen_random_uuid();

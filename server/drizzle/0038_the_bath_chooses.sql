ALTER TABLE "dewpond"."business" ADD COLUMN "mix_per_square_metre" double precision DEFAULT 800 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "wash_kinds" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
-- What a bath takes hangs on these, too.
DROP TRIGGER "due_stale" ON "dewpond"."business";
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "zone", "ways", "services", "lift_alone_kg", "mix_per_square_metre", "wash_kinds", "school_changed_on" ON "dewpond"."business"
  FOR EACH ROW
  WHEN ((OLD."zone", OLD."ways", OLD."services", OLD."lift_alone_kg", OLD."mix_per_square_metre", OLD."wash_kinds", OLD."school_changed_on")
    IS DISTINCT FROM (NEW."zone", NEW."ways", NEW."services", NEW."lift_alone_kg", NEW."mix_per_square_metre", NEW."wash_kinds", NEW."school_changed_on"))
  EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();
--> statement-breakpoint
-- Every bath is chosen anew: what the next visits take of the shelf is reckoned again. Nothing that was found is stale.
UPDATE "dewpond"."dog_due" SET "made_on" = '-infinity'::date, "touched" = gen_random_uuid() WHERE "made_on" IS NOT NULL;

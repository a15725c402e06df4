ALTER TABLE "dewpond"."business" ADD COLUMN "intervals" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
-- What is next due hangs on these, too. No stored plan changes by the migration: nobody has set any.
DROP TRIGGER "due_stale" ON "dewpond"."business";
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "zone", "ways", "services", "lift_alone_kg", "mix_per_square_metre", "wash_kinds", "intervals", "school_changed_on" ON "dewpond"."business"
  FOR EACH ROW
  WHEN ((OLD."zone", OLD."ways", OLD."services", OLD."lift_alone_kg", OLD."mix_per_square_metre", OLD."wash_kinds", OLD."intervals", OLD."school_changed_on")
    IS DISTINCT FROM (NEW."zone", NEW."ways", NEW."services", NEW."lift_alone_kg", NEW."mix_per_square_metre", NEW."wash_kinds", NEW."intervals", NEW."school_changed_on"))
  EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();

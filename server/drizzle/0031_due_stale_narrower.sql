-- What is next due is made stale by what a plan depends on, and by nothing else: a phone number, a price and a pump are
-- none of it. What a visit leaves behind is written many rows at a time: one look for each write, not one for each row.
CREATE FUNCTION "dewpond"."due_of_dogs_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id", "touched")
    SELECT d."business_id", d."id", gen_random_uuid() FROM "dewpond"."dog" d
    WHERE (d."business_id", d."id") IN (SELECT c."business_id", c."dog_id" FROM changed c)
    ORDER BY d."business_id", d."id"
  ON CONFLICT ("business_id", "dog_id") DO UPDATE SET "made_on" = NULL, "touched" = gen_random_uuid();
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "dewpond"."due_of_moved_dogs_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id", "touched")
    SELECT d."business_id", d."id", gen_random_uuid() FROM "dewpond"."dog" d
    WHERE (d."business_id", d."id") IN (
      SELECT c."business_id", c."dog_id" FROM changed c UNION SELECT b."business_id", b."dog_id" FROM before b)
    ORDER BY d."business_id", d."id"
  ON CONFLICT ("business_id", "dog_id") DO UPDATE SET "made_on" = NULL, "touched" = gen_random_uuid();
  RETURN NULL;
END $$;
--> statement-breakpoint
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['instruction', 'place_care', 'finding', 'task_done', 'handover_answer', 'amount_used'] LOOP
    EXECUTE format('DROP TRIGGER "due_stale" ON "dewpond".%I', t);
    EXECUTE format('CREATE TRIGGER "due_stale_added" AFTER INSERT ON "dewpond".%I REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION "dewpond"."due_of_dogs_is_stale"()', t);
    EXECUTE format('CREATE TRIGGER "due_stale_gone" AFTER DELETE ON "dewpond".%I REFERENCING OLD TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION "dewpond"."due_of_dogs_is_stale"()', t);
    EXECUTE format('CREATE TRIGGER "due_stale_changed" AFTER UPDATE ON "dewpond".%I REFERENCING OLD TABLE AS before NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION "dewpond"."due_of_moved_dogs_is_stale"()', t);
  END LOOP;
END $$;
--> statement-breakpoint
DROP FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
DROP TRIGGER "due_stale" ON "dewpond"."dog";
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "client_id", "name", "profile", "home_care_changed_on" ON "dewpond"."dog"
  FOR EACH ROW
  WHEN ((OLD."client_id", OLD."name", OLD."profile", OLD."home_care_changed_on")
    IS DISTINCT FROM (NEW."client_id", NEW."name", NEW."profile", NEW."home_care_changed_on"))
  EXECUTE FUNCTION "dewpond"."due_of_this_dog_is_stale"();
--> statement-breakpoint
-- Of an owner's card a plan reads what they agreed to.
DROP TRIGGER "due_stale" ON "dewpond"."client";
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "card" ON "dewpond"."client"
  FOR EACH ROW
  WHEN (OLD."card" -> 'consents' IS DISTINCT FROM NEW."card" -> 'consents')
  EXECUTE FUNCTION "dewpond"."due_of_clients_dogs_is_stale"();
--> statement-breakpoint
DROP TRIGGER "due_stale" ON "dewpond"."business";
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "zone", "ways", "services", "lift_alone_kg", "school_changed_on" ON "dewpond"."business"
  FOR EACH ROW
  WHEN ((OLD."zone", OLD."ways", OLD."services", OLD."lift_alone_kg", OLD."school_changed_on")
    IS DISTINCT FROM (NEW."zone", NEW."ways", NEW."services", NEW."lift_alone_kg", NEW."school_changed_on"))
  EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();
--> statement-breakpoint
-- What a visit takes depends on which products there are, in what order they are tried, and how strong each is.
DROP TRIGGER "due_stale" ON "dewpond"."product";
--> statement-breakpoint
CREATE TRIGGER "due_stale_added_or_gone" AFTER INSERT OR DELETE ON "dewpond"."product"
  FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE OF "name", "kind", "water_parts", "range", "purposes", "usual", "amount_factor", "supplied_by", "cautions", "ingredients", "archived_on" ON "dewpond"."product"
  FOR EACH ROW
  WHEN ((OLD."name", OLD."kind", OLD."water_parts", OLD."range", OLD."purposes", OLD."usual", OLD."amount_factor", OLD."supplied_by", OLD."cautions", OLD."ingredients", OLD."archived_on")
    IS DISTINCT FROM (NEW."name", NEW."kind", NEW."water_parts", NEW."range", NEW."purposes", NEW."usual", NEW."amount_factor", NEW."supplied_by", NEW."cautions", NEW."ingredients", NEW."archived_on"))
  EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();

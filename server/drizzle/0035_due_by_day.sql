CREATE INDEX "dog_due_by_day" ON "dewpond"."dog_due" USING btree ("business_id","made_on" NULLS FIRST);--> statement-breakpoint
-- Every dog has a row from its first day on: those of which nothing is kept yet are found by the index, too.
INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id")
  SELECT d."business_id", d."id" FROM "dewpond"."dog" d
  ON CONFLICT ("business_id", "dog_id") DO NOTHING;
--> statement-breakpoint
CREATE FUNCTION "dewpond"."due_of_new_dogs_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id")
    SELECT c."business_id", c."id" FROM changed c ORDER BY c."business_id", c."id"
  ON CONFLICT ("business_id", "dog_id") DO NOTHING;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "due_stale_added" AFTER INSERT ON "dewpond"."dog" REFERENCING NEW TABLE AS changed
  FOR EACH STATEMENT EXECUTE FUNCTION "dewpond"."due_of_new_dogs_is_stale"();

-- What is due is stale for every dog when a house way, a breed or a product changes. What was found on a dog is not: the
-- watch list need not look through the whole book. A day before all days says so; null is a change of the dog's own.
CREATE OR REPLACE FUNCTION "dewpond"."due_of_all_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id", "touched")
    SELECT d."business_id", d."id", gen_random_uuid() FROM "dewpond"."dog" d
    WHERE d."business_id" = coalesce(NEW."business_id", OLD."business_id")
    ORDER BY d."business_id", d."id"
  ON CONFLICT ("business_id", "dog_id") DO UPDATE
    SET "made_on" = CASE WHEN "dog_due"."made_on" IS NULL THEN NULL ELSE '-infinity'::date END, "touched" = gen_random_uuid();
  RETURN NULL;
END $$;

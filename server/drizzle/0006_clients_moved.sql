-- What a client was before becomes a card. Run by the owner, whom row security does not hold back.
UPDATE "dewpond"."client" SET "card" = jsonb_build_object(
  'phones', CASE WHEN "phone" = '' THEN '[]'::jsonb ELSE jsonb_build_array(jsonb_build_object('number', "phone", 'whose', '')) END,
  'emails', CASE WHEN "email" = '' THEN '[]'::jsonb ELSE jsonb_build_array("email") END,
  'prefers', 'no matter',
  'address', jsonb_build_object('street', '', 'town', '', 'postcode', '', 'coordinates', null),
  'consents', '{}'::jsonb,
  'note', "note");
--> statement-breakpoint
ALTER TABLE "dewpond"."client" ALTER COLUMN "card" DROP DEFAULT;
--> statement-breakpoint
-- Marks of handling were words; they stay words, beside the marks one can act on.
UPDATE "dewpond"."dog" SET "profile" = "profile" || jsonb_build_object(
  'chip', '', 'nailBled', false, 'reactions', '', 'hazeKnown', false, 'coatCondition', 'good',
  'hayFeverMonths', '[]'::jsonb, 'dirtyWork', false, 'stiffJoints', false, 'tightBreathing', false,
  'handling', jsonb_build_object(
    'minds', '[]'::jsonb, 'helper', 'no helper', 'muzzle', 'no muzzle', 'dryer', 'any dryer', 'tether', 'loop',
    'sight', 'sees', 'hearing', 'hears', 'bestTime', 'any time', 'marks', coalesce("profile"->'handling', '[]'::jsonb)));
--> statement-breakpoint
UPDATE "dewpond"."business" SET "services" = '{"ear hair": "vet"}'::jsonb WHERE "plucking_by_vets_only";
--> statement-breakpoint
-- The weight a dog had when it came into the book is its first.
INSERT INTO "dewpond"."weighing" ("business_id", "dog_id", "day", "kg", "by")
  SELECT "business_id", "id", "created_at"::date, ("profile"->>'weightKg')::double precision, '' FROM "dewpond"."dog";
--> statement-breakpoint
-- As every table of a business.
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['household', 'vet', 'import_run', 'weighing', 'letter', 'programme', 'merge', 'own_breed'] LOOP
    EXECUTE format('ALTER TABLE "dewpond".%I FORCE ROW LEVEL SECURITY', t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond".%I TO dewpond_app', t);
  END LOOP;
END $$;

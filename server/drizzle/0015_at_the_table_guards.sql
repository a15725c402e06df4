-- As every table of a business.
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['stage_took', 'tool_used', 'incident', 'photo', 'photo_shown', 'refused_event'] LOOP
    EXECUTE format('ALTER TABLE "dewpond".%I FORCE ROW LEVEL SECURITY', t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond".%I TO dewpond_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- What was refused is only ever added to.
REVOKE UPDATE, DELETE ON "dewpond"."refused_event" FROM dewpond_app;
--> statement-breakpoint
-- Visits of the version before say what was looked at in their places of care.
UPDATE "dewpond"."visit" v SET "looked" = c."places" FROM (
  SELECT "business_id", "visit_id", jsonb_agg("place" ORDER BY "place") AS "places"
  FROM "dewpond"."place_care" WHERE "looked" GROUP BY 1, 2
) c WHERE c."business_id" = v."business_id" AND c."visit_id" = v."id";

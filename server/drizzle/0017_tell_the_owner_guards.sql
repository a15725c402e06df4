-- As every table of a business.
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['sheet_edit', 'owner_link', 'message', 'referral'] LOOP
    EXECUTE format('ALTER TABLE "dewpond".%I FORCE ROW LEVEL SECURITY', t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond".%I TO dewpond_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- One word for all messages becomes a word for each channel: the same, of the same day.
UPDATE "dewpond"."client" SET "card" = jsonb_set(
  "card",
  '{consents}',
  ("card" -> 'consents') - 'messages' || jsonb_build_object(
    'e-mail', "card" -> 'consents' -> 'messages',
    'text message', "card" -> 'consents' -> 'messages'
  )
)
WHERE "card" -> 'consents' ? 'messages';
--> statement-breakpoint
-- How often somebody knocks at private pages, by address: shared by all processes, belongs to no business.
CREATE TABLE "auth"."link_knock" (
  "key" varchar(255) PRIMARY KEY,
  "points" integer NOT NULL DEFAULT 0,
  "expire" bigint
);
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "auth"."link_knock" TO dewpond_auth;

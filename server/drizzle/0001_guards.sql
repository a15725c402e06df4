-- Row security is forced on every table of a business, so that not even the owner of a table slips past by mistake.
DO $$
DECLARE t record;
BEGIN
  FOR t IN SELECT c.oid::regclass AS name FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
           WHERE n.nspname = 'dewpond' AND c.relkind IN ('r', 'p')
  LOOP
    EXECUTE format('ALTER TABLE %s ENABLE ROW LEVEL SECURITY', t.name);
    EXECUTE format('ALTER TABLE %s FORCE ROW LEVEL SECURITY', t.name);
  END LOOP;
END $$;
--> statement-breakpoint
-- One person cannot be with two dogs at once.
CREATE EXTENSION IF NOT EXISTS btree_gist;
--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD CONSTRAINT "appointment_not_twice"
  EXCLUDE USING gist (business_id WITH =, member_id WITH =, tstzrange(starts_at, ends_at) WITH &&)
  WHERE (state <> 'cancelled');
--> statement-breakpoint
GRANT USAGE ON SCHEMA dewpond TO dewpond_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA dewpond TO dewpond_app;
--> statement-breakpoint
-- What happened is never changed or removed.
REVOKE UPDATE, DELETE ON dewpond.visit_event FROM dewpond_app;
--> statement-breakpoint
GRANT USAGE ON SCHEMA auth TO dewpond_auth;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA auth TO dewpond_auth;

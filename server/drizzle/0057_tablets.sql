CREATE TABLE "dewpond"."held_work" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"tablet_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"visit_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"content" jsonb NOT NULL,
	"bytes" "bytea",
	"held_at" timestamp with time zone NOT NULL,
	"decided_at" timestamp with time zone,
	"decided_by" text,
	"person_id" uuid,
	"is_taken" boolean,
	"refused" text,
	CONSTRAINT "held_work_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."held_work" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."member_pin" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"wrong" integer DEFAULT 0 NOT NULL,
	"set_at" timestamp with time zone NOT NULL,
	CONSTRAINT "member_pin_business_id_member_id_pk" PRIMARY KEY("business_id","member_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."member_pin" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."tablet" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"secret_hash" text NOT NULL,
	"lock_after_min" integer DEFAULT 3 NOT NULL,
	"set_up_by" text NOT NULL,
	"person_id" uuid,
	"last_seen_at" timestamp with time zone,
	"last_member_id" uuid,
	"lost_at" timestamp with time zone,
	"lost_by" text,
	"removed_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "tablet_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."tablet" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."tablet_ticket" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"tablet_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"secret_hash" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	CONSTRAINT "tablet_ticket_business_id_tablet_id_member_id_pk" PRIMARY KEY("business_id","tablet_id","member_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."tablet_ticket" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD COLUMN "tablet_id" uuid;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD COLUMN "by_pin" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."held_work" ADD CONSTRAINT "held_work_business_id_tablet_id_tablet_business_id_id_fk" FOREIGN KEY ("business_id","tablet_id") REFERENCES "dewpond"."tablet"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."held_work" ADD CONSTRAINT "held_work_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."member_pin" ADD CONSTRAINT "member_pin_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."tablet" ADD CONSTRAINT "tablet_business_id_last_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","last_member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."tablet_ticket" ADD CONSTRAINT "tablet_ticket_business_id_tablet_id_tablet_business_id_id_fk" FOREIGN KEY ("business_id","tablet_id") REFERENCES "dewpond"."tablet"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."tablet_ticket" ADD CONSTRAINT "tablet_ticket_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "held_work_of_visit" ON "dewpond"."held_work" USING btree ("business_id","visit_id");--> statement-breakpoint
CREATE POLICY "held_work_of_this_business" ON "dewpond"."held_work" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "member_pin_of_this_business" ON "dewpond"."member_pin" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "tablet_of_this_business" ON "dewpond"."tablet" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "tablet_ticket_of_this_business" ON "dewpond"."tablet_ticket" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
-- As every table of a business.
ALTER TABLE "dewpond"."tablet" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."member_pin" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."tablet_ticket" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."held_work" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE ON "dewpond"."tablet" TO dewpond_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."member_pin", "dewpond"."tablet_ticket" TO dewpond_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."held_work" TO dewpond_app;
--> statement-breakpoint
-- A session on a shared tablet ends when the tablet is reported lost or is shared no more: asked with every call.
DROP FUNCTION auth.who_asks(text);
--> statement-breakpoint
CREATE FUNCTION auth.who_asks(asked text)
RETURNS TABLE (
  session_id uuid,
  created_at timestamptz,
  expires_at timestamptz,
  updated_at timestamptz,
  person_id uuid,
  email text,
  has_second_factor boolean,
  business_id uuid,
  name text,
  role text,
  zone text,
  rights jsonb,
  second_factor text,
  last_backup timestamptz,
  here_since timestamptz,
  by_pin boolean,
  tablet_id uuid,
  tablet_name text,
  lock_after_min integer
)
LANGUAGE plpgsql STABLE SECURITY DEFINER
SET search_path = pg_catalog
AS $$
BEGIN
  -- Not in SQL: the plan of this one is kept from call to call.
  RETURN QUERY
  SELECT s.id, s.created_at, s.expires_at, s.updated_at, u.id, u.email, coalesce(u.two_factor_enabled, false),
    b.business_id, m.name, m.role::text, b.zone, b.rights, b.second_factor,
    (SELECT r.at FROM auth.backup_run r WHERE r.is_ok ORDER BY r.at DESC LIMIT 1), o.created_at,
    s.by_pin, t.id, t.name, t.lock_after_min
  FROM auth.session s
  JOIN auth."user" u ON u.id = s.user_id
  LEFT JOIN dewpond.member m
    ON m.person_id = u.id AND m.business_id = nullif(s.active_organization_id, '')::uuid AND m.left_at IS NULL
  LEFT JOIN dewpond.business b ON b.business_id = m.business_id
  LEFT JOIN auth.organization o ON o.id = m.business_id
  LEFT JOIN dewpond.tablet t
    ON t.business_id = m.business_id AND t.id = s.tablet_id AND t.lost_at IS NULL AND t.removed_at IS NULL
  WHERE s.token = asked AND (s.tablet_id IS NULL OR t.id IS NOT NULL);
END
$$;--> statement-breakpoint
REVOKE ALL ON FUNCTION auth.who_asks(text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION auth.who_asks(text) TO dewpond_auth;
--> statement-breakpoint
-- A PIN goes with whoever leaves, and so do their tickets.
CREATE FUNCTION dewpond.pin_goes() RETURNS trigger
LANGUAGE plpgsql SET search_path = pg_catalog
AS $$
BEGIN
  IF NEW.left_at IS NOT NULL THEN
    DELETE FROM dewpond.member_pin WHERE business_id = NEW.business_id AND member_id = NEW.id;
    DELETE FROM dewpond.tablet_ticket WHERE business_id = NEW.business_id AND member_id = NEW.id;
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER pin_goes_with_member AFTER UPDATE OF left_at ON dewpond.member
  FOR EACH ROW EXECUTE FUNCTION dewpond.pin_goes();

CREATE TABLE "dewpond"."invitation" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"member_id" uuid,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"email" text NOT NULL,
	"secret_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"withdrawn_at" timestamp with time zone,
	"made_by" text NOT NULL,
	"person_id" uuid,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "invitation_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."invitation" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "auth"."begin_link" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"secret_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "begin_link_secret_hash_unique" UNIQUE("secret_hash")
);
--> statement-breakpoint
CREATE TABLE "auth"."known_device" (
	"user_id" uuid NOT NULL,
	"device_hash" text NOT NULL,
	"first_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "known_device_user_id_device_hash_pk" PRIMARY KEY("user_id","device_hash")
);
--> statement-breakpoint
CREATE TABLE "auth"."two_factor" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"secret" text NOT NULL,
	"backup_codes" text NOT NULL,
	"user_id" uuid NOT NULL,
	"verified" boolean DEFAULT true,
	"failed_verification_count" integer DEFAULT 0,
	"locked_until" timestamp with time zone
);
--> statement-breakpoint
-- A member is there once.
DELETE FROM auth.member a USING auth.member b
WHERE a.organization_id = b.organization_id AND a.user_id = b.user_id AND a.ctid > b.ctid;--> statement-breakpoint
DROP INDEX "auth"."member_organizationId_idx";--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "country" text DEFAULT 'GB' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "second_factor" text DEFAULT 'nobody' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "joined_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "left_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "auth"."user" ADD COLUMN "two_factor_enabled" boolean DEFAULT false;--> statement-breakpoint
ALTER TABLE "dewpond"."invitation" ADD CONSTRAINT "invitation_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."known_device" ADD CONSTRAINT "known_device_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."two_factor" ADD CONSTRAINT "two_factor_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "invitation_by_secret" ON "dewpond"."invitation" USING btree ("business_id","secret_hash");--> statement-breakpoint
CREATE INDEX "twoFactor_userId_idx" ON "auth"."two_factor" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "twoFactor_secret_idx" ON "auth"."two_factor" USING btree ("secret");--> statement-breakpoint
CREATE UNIQUE INDEX "member_by_person" ON "dewpond"."member" USING btree ("business_id","person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "member_of_organization" ON "auth"."member" USING btree ("organization_id","user_id");--> statement-breakpoint
CREATE POLICY "invitation_of_this_business" ON "dewpond"."invitation" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
-- As every table of a business.
ALTER TABLE "dewpond"."invitation" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."invitation" TO dewpond_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "auth"."begin_link", "auth"."known_device", "auth"."two_factor" TO dewpond_auth;
--> statement-breakpoint
-- One truth (decision 0053): the business's row of a member decides, and the sign-in's follows in the same transaction.
-- Whoever left is signed out at once.
CREATE FUNCTION auth.follow_member() RETURNS trigger
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE its dewpond.member;
BEGIN
  IF TG_OP = 'DELETE' THEN its := OLD; ELSE its := NEW; END IF;
  IF TG_OP = 'DELETE' OR its.left_at IS NOT NULL THEN
    DELETE FROM auth.member WHERE organization_id = its.business_id AND user_id = its.person_id;
    DELETE FROM auth.session WHERE user_id = its.person_id AND active_organization_id = its.business_id::text;
    RETURN NULL;
  END IF;
  INSERT INTO auth.member (organization_id, user_id, role, created_at)
  VALUES (NEW.business_id, NEW.person_id, NEW.role, NEW.joined_at)
  ON CONFLICT (organization_id, user_id) DO UPDATE SET role = excluded.role;
  RETURN NULL;
END
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION auth.follow_member() FROM PUBLIC;
--> statement-breakpoint
CREATE TRIGGER member_is_followed AFTER INSERT OR DELETE OR UPDATE OF role, left_at ON dewpond.member
  FOR EACH ROW EXECUTE FUNCTION auth.follow_member();
--> statement-breakpoint
-- What is there now is brought to the same: no member without an account's row, no account's row without a member.
INSERT INTO auth.member (organization_id, user_id, role, created_at)
SELECT m.business_id, m.person_id, m.role, m.joined_at FROM dewpond.member m
JOIN auth.organization o ON o.id = m.business_id
JOIN auth."user" u ON u.id = m.person_id
ON CONFLICT (organization_id, user_id) DO UPDATE SET role = excluded.role;
--> statement-breakpoint
DELETE FROM auth.member a WHERE NOT EXISTS (
  SELECT 1 FROM dewpond.member m WHERE m.business_id = a.organization_id AND m.person_id = a.user_id
);
--> statement-breakpoint
-- The application's role has no way into the schema of accounts: what it may do to them it does through these functions.
CREATE SCHEMA accounts;
--> statement-breakpoint
GRANT USAGE ON SCHEMA accounts TO dewpond_app;
--> statement-breakpoint
-- What the application's role may do to accounts, always for the business its transaction has set, and in that
-- transaction. A business begins once a link: true where this call was the one.
CREATE FUNCTION accounts.begin_business(link_hash text, business_name text) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE its uuid := current_setting('dewpond.business_id')::uuid;
BEGIN
  UPDATE auth.begin_link SET used_at = now() WHERE secret_hash = link_hash AND used_at IS NULL AND expires_at > now();
  IF NOT FOUND THEN RETURN false; END IF;
  INSERT INTO auth.organization (id, name, slug, created_at) VALUES (its, business_name, its::text, now());
  RETURN true;
END
$$;
--> statement-breakpoint
CREATE FUNCTION accounts.add_account(person uuid, its_name text, its_email text, password_hash text) RETURNS void
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
BEGIN
  INSERT INTO auth."user" (id, name, email, email_verified) VALUES (person, its_name, its_email, true);
  INSERT INTO auth.account (account_id, provider_id, user_id, password, updated_at)
  VALUES (person::text, 'credential', person, password_hash, now());
END
$$;
--> statement-breakpoint
-- A new password ends all sessions. Whoever belongs elsewhere, too, gets one only by their own asking: else one business
-- could open the door of another. False: not for this business to say.
CREATE FUNCTION accounts.set_password(person uuid, password_hash text, own_asking boolean) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE its uuid := current_setting('dewpond.business_id')::uuid;
BEGIN
  IF NOT EXISTS (SELECT 1 FROM auth.member WHERE user_id = person AND organization_id = its) THEN RETURN false; END IF;
  IF NOT own_asking AND EXISTS (SELECT 1 FROM auth.member WHERE user_id = person AND organization_id <> its) THEN
    RETURN false;
  END IF;
  UPDATE auth.account SET password = password_hash, updated_at = now() WHERE user_id = person AND provider_id = 'credential';
  DELETE FROM auth.session WHERE user_id = person;
  DELETE FROM auth.known_device WHERE user_id = person;
  RETURN true;
END
$$;
--> statement-breakpoint
-- Takes a lost second factor away, where the person belongs to this business only.
CREATE FUNCTION accounts.drop_second_factor(person uuid) RETURNS boolean
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE its uuid := current_setting('dewpond.business_id')::uuid;
BEGIN
  IF NOT EXISTS (SELECT 1 FROM auth.member WHERE user_id = person AND organization_id = its)
    OR EXISTS (SELECT 1 FROM auth.member WHERE user_id = person AND organization_id <> its) THEN
    RETURN false;
  END IF;
  DELETE FROM auth.two_factor WHERE user_id = person;
  UPDATE auth."user" SET two_factor_enabled = false WHERE id = person;
  DELETE FROM auth.session WHERE user_id = person;
  RETURN true;
END
$$;
--> statement-breakpoint
CREATE FUNCTION accounts.end_sessions(person uuid) RETURNS integer
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE ended integer;
BEGIN
  DELETE FROM auth.session WHERE user_id = person AND active_organization_id = current_setting('dewpond.business_id');
  GET DIAGNOSTICS ended = ROW_COUNT;
  RETURN ended;
END
$$;
--> statement-breakpoint
-- What the manager sees of her people's accounts; of whoever left, the address only.
CREATE FUNCTION accounts.seen_of(people uuid[])
RETURNS TABLE (person_id uuid, email text, second_factor boolean, sessions integer, last_seen timestamptz)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog
AS $$
BEGIN
  RETURN QUERY
  SELECT u.id, u.email, coalesce(u.two_factor_enabled, false), count(s.id)::integer, max(s.updated_at)
  FROM auth."user" u
  LEFT JOIN auth.session s
    ON s.user_id = u.id AND s.active_organization_id = current_setting('dewpond.business_id') AND s.expires_at > now()
  WHERE u.id = ANY (people)
  GROUP BY u.id;
END
$$;
--> statement-breakpoint
DO $$
DECLARE f text;
BEGIN
  FOREACH f IN ARRAY ARRAY['begin_business(text, text)', 'add_account(uuid, text, text, text)',
    'set_password(uuid, text, boolean)', 'drop_second_factor(uuid)', 'end_sessions(uuid)', 'seen_of(uuid[])']
  LOOP
    EXECUTE format('REVOKE ALL ON FUNCTION accounts.%s FROM PUBLIC', f);
    EXECUTE format('GRANT EXECUTE ON FUNCTION accounts.%s TO dewpond_app', f);
  END LOOP;
END
$$;

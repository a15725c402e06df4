ALTER TABLE "dewpond"."business" ADD COLUMN "rights" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
-- Who asks learns what the house has decided on who may what. Another kind of row: the function is made anew.
DROP FUNCTION auth.who_asks(text);--> statement-breakpoint
CREATE FUNCTION auth.who_asks(asked text)
RETURNS TABLE (
  expires_at timestamptz,
  updated_at timestamptz,
  person_id uuid,
  email text,
  business_id uuid,
  name text,
  role text,
  zone text,
  rights jsonb
)
LANGUAGE plpgsql STABLE SECURITY DEFINER
SET search_path = pg_catalog
AS $$
BEGIN
  -- Not in SQL: the plan of this one is kept from call to call.
  RETURN QUERY
  SELECT s.expires_at, s.updated_at, u.id, u.email, b.business_id, m.name, m.role::text, b.zone, b.rights
  FROM auth.session s
  JOIN auth."user" u ON u.id = s.user_id
  LEFT JOIN auth.member a ON a.user_id = u.id AND a.organization_id = nullif(s.active_organization_id, '')::uuid
  LEFT JOIN dewpond.member m ON m.person_id = u.id AND m.business_id = a.organization_id
  LEFT JOIN dewpond.business b ON b.business_id = m.business_id
  WHERE s.token = asked;
END
$$;--> statement-breakpoint
REVOKE ALL ON FUNCTION auth.who_asks(text) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION auth.who_asks(text) TO dewpond_auth;

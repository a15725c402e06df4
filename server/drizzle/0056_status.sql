CREATE INDEX backup_run_by_time ON auth.backup_run (at DESC) WHERE is_ok;
--> statement-breakpoint
-- Who asks: the business's row of the member decides (decision 0053), and the answer says which session it is, when it
-- began, what of second proofs is asked, and when the last good backup was. Another kind of row: made anew.
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
  here_since timestamptz
)
LANGUAGE plpgsql STABLE SECURITY DEFINER
SET search_path = pg_catalog
AS $$
BEGIN
  -- Not in SQL: the plan of this one is kept from call to call.
  RETURN QUERY
  SELECT s.id, s.created_at, s.expires_at, s.updated_at, u.id, u.email, coalesce(u.two_factor_enabled, false),
    b.business_id, m.name, m.role::text, b.zone, b.rights, b.second_factor,
    (SELECT r.at FROM auth.backup_run r WHERE r.is_ok ORDER BY r.at DESC LIMIT 1), o.created_at
  FROM auth.session s
  JOIN auth."user" u ON u.id = s.user_id
  LEFT JOIN dewpond.member m
    ON m.person_id = u.id AND m.business_id = nullif(s.active_organization_id, '')::uuid AND m.left_at IS NULL
  LEFT JOIN dewpond.business b ON b.business_id = m.business_id
  LEFT JOIN auth.organization o ON o.id = m.business_id
  WHERE s.token = asked;
END
$$;--> statement-breakpoint
--> statement-breakpoint
REVOKE ALL ON FUNCTION auth.who_asks(text) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION auth.who_asks(text) TO dewpond_auth;
--> statement-breakpoint
-- What waits in the queues of the whole installation: figures, and nothing of what a job carries.
CREATE FUNCTION accounts.queues()
RETURNS TABLE (queue text, waiting integer, failed integer, oldest timestamptz)
LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = pg_catalog
AS $$
BEGIN
  RETURN QUERY
  SELECT j.name::text, count(*) FILTER (WHERE j.state < 'completed')::integer,
    count(*) FILTER (WHERE j.state = 'failed')::integer,
    min(j.start_after) FILTER (WHERE j.state < 'active' AND j.start_after <= now())
  FROM jobs.job j GROUP BY j.name;
END
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION accounts.queues() FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION accounts.queues() TO dewpond_app;

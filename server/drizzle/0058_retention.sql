ALTER TABLE "dewpond"."business" ADD COLUMN "retention" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "let_go_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "words_gone_on" date;--> statement-breakpoint
-- The log is only ever added to. What is older than the house keeps goes by this function alone: of the business the
-- transaction has set, and nothing younger than a year, whatever is asked.
CREATE FUNCTION accounts.let_log_go(before timestamptz) RETURNS integer
LANGUAGE plpgsql SECURITY DEFINER SET search_path = pg_catalog
AS $$
DECLARE gone integer;
BEGIN
  DELETE FROM dewpond.audit
  WHERE business_id = current_setting('dewpond.business_id')::uuid AND at < least(before, now() - interval '364 days');
  GET DIAGNOSTICS gone = ROW_COUNT;
  RETURN gone;
END
$$;
--> statement-breakpoint
REVOKE ALL ON FUNCTION accounts.let_log_go(timestamptz) FROM PUBLIC;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION accounts.let_log_go(timestamptz) TO dewpond_app;

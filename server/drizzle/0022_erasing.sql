-- Events are never changed and never removed, but for one thing: the words of an owner who asks to be erased. Whoever
-- does that says so in the transaction, and may change nothing but what is told.
CREATE FUNCTION "dewpond"."only_when_erasing"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF coalesce(current_setting('dewpond.erasing', true), '') <> 'yes' THEN
    RAISE EXCEPTION 'What was written down is neither changed nor removed.';
  END IF;
  RETURN CASE TG_OP WHEN 'DELETE' THEN OLD ELSE NEW END;
END $$;
--> statement-breakpoint
CREATE TRIGGER "visit_event_only_when_erasing" BEFORE UPDATE ON "dewpond"."visit_event"
  FOR EACH ROW EXECUTE FUNCTION "dewpond"."only_when_erasing"();
--> statement-breakpoint
CREATE TRIGGER "refused_event_only_when_erasing" BEFORE DELETE ON "dewpond"."refused_event"
  FOR EACH ROW EXECUTE FUNCTION "dewpond"."only_when_erasing"();
--> statement-breakpoint
GRANT UPDATE ("what") ON "dewpond"."visit_event" TO dewpond_app;
--> statement-breakpoint
GRANT DELETE ON "dewpond"."refused_event" TO dewpond_app;

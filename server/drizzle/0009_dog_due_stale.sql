ALTER TABLE "dewpond"."dog_due" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."dog_due" TO dewpond_app;
--> statement-breakpoint
-- Makes stale what is kept of a dog. It runs as whoever writes, inside their business.
CREATE FUNCTION "dewpond"."due_is_stale"(business uuid, dog uuid) RETURNS void LANGUAGE sql AS $$
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id", "touched")
    SELECT d."business_id", d."id", pg_current_xact_id() FROM "dewpond"."dog" d
    WHERE d."business_id" = business AND (dog IS NULL OR d."id" = dog)
  ON CONFLICT ("business_id", "dog_id") DO UPDATE SET "made_on" = NULL, "touched" = pg_current_xact_id();
$$;
--> statement-breakpoint
-- What hangs on a dog: its own rows, and those of the dog it was moved from.
CREATE FUNCTION "dewpond"."due_of_dog_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'DELETE' THEN PERFORM "dewpond"."due_is_stale"(NEW."business_id", NEW."dog_id"); END IF;
  IF TG_OP = 'DELETE' OR (TG_OP = 'UPDATE' AND OLD."dog_id" <> NEW."dog_id") THEN
    PERFORM "dewpond"."due_is_stale"(OLD."business_id", OLD."dog_id");
  END IF;
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "dewpond"."due_of_this_dog_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM "dewpond"."due_is_stale"(NEW."business_id", NEW."id");
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "dewpond"."due_of_clients_dogs_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM "dewpond"."due_is_stale"(d."business_id", d."id") FROM "dewpond"."dog" d
    WHERE d."business_id" = NEW."business_id" AND d."client_id" = NEW."id";
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE FUNCTION "dewpond"."due_of_all_is_stale"() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM "dewpond"."due_is_stale"(coalesce(NEW."business_id", OLD."business_id"), NULL);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."instruction" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."place_care" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."finding" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."task_done" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."handover_answer" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE ON "dewpond"."dog" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_this_dog_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE ON "dewpond"."client" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_clients_dogs_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER UPDATE ON "dewpond"."business" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();
--> statement-breakpoint
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."own_breed" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();

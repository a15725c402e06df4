-- As every table of a business.
DO $$
DECLARE t text;
BEGIN
  FOREACH t IN ARRAY ARRAY['pump', 'lot', 'made_mix', 'mix_lot', 'stock_entry', 'mix_taken', 'lot_touched'] LOOP
    EXECUTE format('ALTER TABLE "dewpond".%I FORCE ROW LEVEL SECURITY', t);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond".%I TO dewpond_app', t);
  END LOOP;
END $$;
--> statement-breakpoint
-- The ledger is only ever added to.
REVOKE UPDATE, DELETE ON "dewpond"."stock_entry" FROM dewpond_app;
--> statement-breakpoint
-- A product that had a stroke has a pump; it was not calibrated here, so its strokes are not known one by one.
INSERT INTO "dewpond"."pump" ("business_id", "id", "name", "stroke_ml", "made_from")
  SELECT "business_id", gen_random_uuid(), 'Pump of ' || "name", "stroke_ml", "id"::text FROM "dewpond"."product" WHERE "stroke_ml" IS NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."product" p SET "pump_id" = u."id" FROM "dewpond"."pump" u
  WHERE u."business_id" = p."business_id" AND u."made_from" = p."id"::text;
--> statement-breakpoint
-- What a visit takes of a product depends on the product.
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."product" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_all_is_stale"();
--> statement-breakpoint
-- And on what its visits used.
CREATE TRIGGER "due_stale" AFTER INSERT OR UPDATE OR DELETE ON "dewpond"."amount_used" FOR EACH ROW EXECUTE FUNCTION "dewpond"."due_of_dog_is_stale"();

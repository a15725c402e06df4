ALTER TABLE "dewpond"."visit" ADD COLUMN "owner_said" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "closing_note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ADD COLUMN "product_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ADD COLUMN "product_name" text;--> statement-breakpoint
-- Closing notes were in the events and shown nowhere.
UPDATE "dewpond"."visit" v SET "closing_note" = e."words"
FROM (
  SELECT "business_id", "visit_id", string_agg("what" ->> 'text', E'\n' ORDER BY "counter", "device", "id") AS "words"
  FROM "dewpond"."visit_event" WHERE "what" ->> 'type' = 'noted' GROUP BY "business_id", "visit_id"
) e
WHERE e."business_id" = v."business_id" AND e."visit_id" = v."id";

-- A mark that means the same in every cluster: a number of transactions means nothing after dump and restore.
ALTER TABLE "dewpond"."dog_due" ALTER COLUMN "touched" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ALTER COLUMN "touched" SET DATA TYPE uuid USING gen_random_uuid();--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ALTER COLUMN "touched" SET DEFAULT gen_random_uuid();--> statement-breakpoint
CREATE OR REPLACE FUNCTION "dewpond"."due_is_stale"(business uuid, dog uuid) RETURNS void LANGUAGE sql AS $$
  INSERT INTO "dewpond"."dog_due" ("business_id", "dog_id", "touched")
    SELECT d."business_id", d."id", gen_random_uuid() FROM "dewpond"."dog" d
    WHERE d."business_id" = business AND (dog IS NULL OR d."id" = dog)
  ON CONFLICT ("business_id", "dog_id") DO UPDATE SET "made_on" = NULL, "touched" = gen_random_uuid();
$$;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "also_for" uuid;--> statement-breakpoint
-- Two visits of one booking: both are kept, the first has the booking, the other says that it came later.
UPDATE "dewpond"."visit" v SET "also_for" = v."appointment_id", "appointment_id" = NULL
  WHERE v."appointment_id" IS NOT NULL AND EXISTS (
    SELECT 1 FROM "dewpond"."visit" f WHERE f."business_id" = v."business_id" AND f."appointment_id" = v."appointment_id"
      AND (f."created_at", f."id") < (v."created_at", v."id"));--> statement-breakpoint
DROP INDEX "dewpond"."visit_by_appointment";--> statement-breakpoint
CREATE UNIQUE INDEX "visit_of_appointment" ON "dewpond"."visit" USING btree ("business_id","appointment_id");

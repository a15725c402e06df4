CREATE TABLE "dewpond"."clean_down" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"event_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"person_id" uuid NOT NULL,
	"cleaned" text[] NOT NULL,
	"left_out" text[] NOT NULL,
	"product_id" uuid,
	"product_name" text,
	"seconds" double precision,
	"wanted" double precision,
	"after" text[] NOT NULL,
	CONSTRAINT "clean_down_business_id_visit_id_event_id_pk" PRIMARY KEY("business_id","visit_id","event_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."clean_down" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."clean_down" ADD CONSTRAINT "clean_down_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."clean_down" ADD CONSTRAINT "clean_down_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "clean_down_by_day" ON "dewpond"."clean_down" USING btree ("business_id","day");--> statement-breakpoint
CREATE POLICY "clean_down_of_this_business" ON "dewpond"."clean_down" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
-- As every table of a business.
ALTER TABLE "dewpond"."clean_down" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."clean_down" TO dewpond_app;
--> statement-breakpoint
-- Clean-downs that were told before there was a log; what was cleaned was not ticked then.
INSERT INTO "dewpond"."clean_down" ("business_id", "visit_id", "dog_id", "day", "event_id", "at", "person_id", "cleaned", "left_out", "after")
SELECT e."business_id", e."visit_id", v."dog_id", v."day", e."id", to_timestamp((e."at" + coalesce(e."offset_ms", 0)) / 1000.0), e."person_id", '{}', '{}', '{}'
FROM (
  SELECT DISTINCT ON ("business_id", "visit_id") *
  FROM "dewpond"."visit_event"
  WHERE "what" ->> 'step' = 'clean-down' AND "what" ->> 'type' IN ('step done', 'step skipped', 'step undone')
  ORDER BY "business_id", "visit_id", "counter" DESC, "device" DESC, "id" DESC
) e
JOIN "dewpond"."visit" v ON v."business_id" = e."business_id" AND v."id" = e."visit_id"
WHERE e."what" ->> 'type' = 'step done';

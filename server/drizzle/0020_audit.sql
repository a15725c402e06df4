CREATE TABLE "dewpond"."audit" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"day" date NOT NULL,
	"person_id" uuid NOT NULL,
	"person" text NOT NULL,
	"what" text NOT NULL,
	"about" uuid,
	"words" text NOT NULL,
	CONSTRAINT "audit_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."audit" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE INDEX "audit_by_time" ON "dewpond"."audit" USING btree ("business_id","at");--> statement-breakpoint
CREATE INDEX "audit_about" ON "dewpond"."audit" USING btree ("business_id","about","at");--> statement-breakpoint
CREATE UNIQUE INDEX "audit_seen_once_a_day" ON "dewpond"."audit" USING btree ("business_id","person_id","about","words","day") WHERE what = 'saw';--> statement-breakpoint
CREATE POLICY "audit_of_this_business" ON "dewpond"."audit" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
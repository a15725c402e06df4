CREATE TABLE "dewpond"."lot" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"number" text NOT NULL,
	"expires" date,
	"delivered_on" date NOT NULL,
	"opened_on" date,
	"emptied_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "lot_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."lot_touched" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"lot_id" uuid NOT NULL,
	CONSTRAINT "lot_touched_business_id_visit_id_lot_id_pk" PRIMARY KEY("business_id","visit_id","lot_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."lot_touched" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."made_mix" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"water_parts" text NOT NULL,
	"bottle_id" uuid NOT NULL,
	"bottle_no" integer NOT NULL,
	"strokes" integer,
	"product_ml" double precision NOT NULL,
	"total_ml" double precision NOT NULL,
	"dog_id" uuid,
	"by" text NOT NULL,
	"day" date NOT NULL,
	"measured_at" timestamp with time zone NOT NULL,
	"watered_at" timestamp with time zone,
	"discard_at" timestamp with time zone NOT NULL,
	"ended" text,
	"ended_at" timestamp with time zone,
	"ended_on" date,
	"left_ml" double precision,
	"cost_per_ml" double precision,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "made_mix_business_id_id_pk" PRIMARY KEY("business_id","id"),
	CONSTRAINT "made_mix_holds_both" CHECK ("dewpond"."made_mix"."product_ml" > 0 and "dewpond"."made_mix"."total_ml" > "dewpond"."made_mix"."product_ml")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."mix_lot" (
	"business_id" uuid NOT NULL,
	"mix_id" uuid NOT NULL,
	"lot_id" uuid NOT NULL,
	CONSTRAINT "mix_lot_business_id_mix_id_lot_id_pk" PRIMARY KEY("business_id","mix_id","lot_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."mix_lot" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."mix_taken" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"mix_id" uuid NOT NULL,
	"ml" double precision NOT NULL,
	"override" text,
	CONSTRAINT "mix_taken_business_id_visit_id_mix_id_pk" PRIMARY KEY("business_id","visit_id","mix_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."mix_taken" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."pump" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"strokes" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"stroke_ml" double precision,
	"calibrated_on" date,
	"calibrated_by" text DEFAULT '' NOT NULL,
	"archived_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "pump_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."stock_entry" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"ml" double precision NOT NULL,
	"after_ml" double precision NOT NULL,
	"reason" text NOT NULL,
	"day" date NOT NULL,
	"by" text NOT NULL,
	"lot_id" uuid,
	"visit_id" uuid,
	"mix_id" uuid,
	"made_from" text NOT NULL,
	"number" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stock_entry_business_id_id_pk" PRIMARY KEY("business_id","id"),
	CONSTRAINT "stock_entry_below_nothing_says_why" CHECK ("dewpond"."stock_entry"."after_ml" >= 0 or "dewpond"."stock_entry"."ml" > 0 or "dewpond"."stock_entry"."reason" <> '')
);
--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD COLUMN "count" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD COLUMN "archived_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD COLUMN "made_from" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "units" text;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "range" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "purposes" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "supplier" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "cautions" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "ingredients" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "container_ml" double precision;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "pump_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "lead_days" integer DEFAULT 7 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "safety_ml" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "archived_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "made_from" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ADD COLUMN "takes" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ADD COLUMN "product_ml" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ADD COLUMN "cost" double precision;--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ADD CONSTRAINT "lot_business_id_product_id_product_business_id_id_fk" FOREIGN KEY ("business_id","product_id") REFERENCES "dewpond"."product"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."lot_touched" ADD CONSTRAINT "lot_touched_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."lot_touched" ADD CONSTRAINT "lot_touched_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."lot_touched" ADD CONSTRAINT "lot_touched_business_id_lot_id_lot_business_id_id_fk" FOREIGN KEY ("business_id","lot_id") REFERENCES "dewpond"."lot"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ADD CONSTRAINT "made_mix_business_id_product_id_product_business_id_id_fk" FOREIGN KEY ("business_id","product_id") REFERENCES "dewpond"."product"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ADD CONSTRAINT "made_mix_business_id_bottle_id_bottle_business_id_id_fk" FOREIGN KEY ("business_id","bottle_id") REFERENCES "dewpond"."bottle"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ADD CONSTRAINT "made_mix_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_lot" ADD CONSTRAINT "mix_lot_business_id_mix_id_made_mix_business_id_id_fk" FOREIGN KEY ("business_id","mix_id") REFERENCES "dewpond"."made_mix"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_lot" ADD CONSTRAINT "mix_lot_business_id_lot_id_lot_business_id_id_fk" FOREIGN KEY ("business_id","lot_id") REFERENCES "dewpond"."lot"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_taken" ADD CONSTRAINT "mix_taken_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_taken" ADD CONSTRAINT "mix_taken_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_taken" ADD CONSTRAINT "mix_taken_business_id_mix_id_made_mix_business_id_id_fk" FOREIGN KEY ("business_id","mix_id") REFERENCES "dewpond"."made_mix"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ADD CONSTRAINT "pump_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD CONSTRAINT "stock_entry_business_id_product_id_product_business_id_id_fk" FOREIGN KEY ("business_id","product_id") REFERENCES "dewpond"."product"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD CONSTRAINT "stock_entry_business_id_lot_id_lot_business_id_id_fk" FOREIGN KEY ("business_id","lot_id") REFERENCES "dewpond"."lot"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD CONSTRAINT "stock_entry_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD CONSTRAINT "stock_entry_business_id_mix_id_made_mix_business_id_id_fk" FOREIGN KEY ("business_id","mix_id") REFERENCES "dewpond"."made_mix"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "lot_by_product" ON "dewpond"."lot" USING btree ("business_id","product_id");--> statement-breakpoint
CREATE INDEX "lot_touched_by_lot" ON "dewpond"."lot_touched" USING btree ("business_id","lot_id");--> statement-breakpoint
CREATE INDEX "made_mix_by_day" ON "dewpond"."made_mix" USING btree ("business_id","day");--> statement-breakpoint
CREATE UNIQUE INDEX "made_mix_one_in_a_bottle" ON "dewpond"."made_mix" USING btree ("business_id","bottle_id","bottle_no") WHERE "dewpond"."made_mix"."ended" is null;--> statement-breakpoint
CREATE INDEX "mix_lot_by_lot" ON "dewpond"."mix_lot" USING btree ("business_id","lot_id");--> statement-breakpoint
CREATE INDEX "mix_taken_by_mix" ON "dewpond"."mix_taken" USING btree ("business_id","mix_id");--> statement-breakpoint
CREATE INDEX "mix_taken_by_dog" ON "dewpond"."mix_taken" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE UNIQUE INDEX "stock_entry_in_order" ON "dewpond"."stock_entry" USING btree ("business_id","product_id","number");--> statement-breakpoint
CREATE INDEX "stock_entry_by_visit" ON "dewpond"."stock_entry" USING btree ("business_id","visit_id");--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD CONSTRAINT "product_business_id_pump_id_pump_business_id_id_fk" FOREIGN KEY ("business_id","pump_id") REFERENCES "dewpond"."pump"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "amount_used_by_day" ON "dewpond"."amount_used" USING btree ("business_id","day");--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD CONSTRAINT "bottle_of_some" CHECK ("dewpond"."bottle"."count" > 0);--> statement-breakpoint
CREATE POLICY "lot_of_this_business" ON "dewpond"."lot" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "lot_touched_of_this_business" ON "dewpond"."lot_touched" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "made_mix_of_this_business" ON "dewpond"."made_mix" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "mix_lot_of_this_business" ON "dewpond"."mix_lot" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "mix_taken_of_this_business" ON "dewpond"."mix_taken" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "pump_of_this_business" ON "dewpond"."pump" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "stock_entry_of_this_business" ON "dewpond"."stock_entry" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
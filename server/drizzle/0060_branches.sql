CREATE TABLE "dewpond"."branch" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"places" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"van" jsonb,
	"closed_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "branch_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
CREATE TABLE "dewpond"."fitted_pump" (
	"business_id" uuid DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid NOT NULL,
	"branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid NOT NULL,
	"product_id" uuid NOT NULL,
	"pump_id" uuid NOT NULL,
	CONSTRAINT "fitted_pump_business_id_branch_id_product_id_pk" PRIMARY KEY("business_id","branch_id","product_id")
);
--> statement-breakpoint
-- The first branch of a business has the business's own id: what nobody says otherwise is there.
INSERT INTO "dewpond"."branch" ("business_id", "id", "name", "kind", "places", "van", "made_from")
SELECT "business_id", "business_id", "name", 'salon', "places", "van", '' FROM "dewpond"."business";
--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD COLUMN "branch_id" uuid DEFAULT coalesce(nullif(current_setting('dewpond.branch_id', true), ''), nullif(current_setting('dewpond.business_id', true), ''))::uuid;
--> statement-breakpoint
UPDATE "dewpond"."member" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."member" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."dog" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."bottle" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."lot" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."pump" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."stock_entry" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
UPDATE "dewpond"."week_plan" SET "branch_id" = "business_id";
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ALTER COLUMN "branch_id" SET NOT NULL;
--> statement-breakpoint
INSERT INTO "dewpond"."fitted_pump" ("business_id", "branch_id", "product_id", "pump_id")
SELECT "business_id", "business_id", "id", "pump_id" FROM "dewpond"."product" WHERE "pump_id" IS NOT NULL;
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" DROP CONSTRAINT "week_plan_business_id_pk";
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD CONSTRAINT "week_plan_business_id_branch_id_pk" PRIMARY KEY("business_id","branch_id");
--> statement-breakpoint
DROP INDEX "dewpond"."stock_entry_in_order";
--> statement-breakpoint
CREATE UNIQUE INDEX "stock_entry_in_order" ON "dewpond"."stock_entry" USING btree ("business_id","branch_id","product_id","number");
--> statement-breakpoint
ALTER TABLE "dewpond"."product" DROP CONSTRAINT "product_business_id_pump_id_pump_business_id_id_fk";
--> statement-breakpoint
ALTER TABLE "dewpond"."branch" ADD CONSTRAINT "branch_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."fitted_pump" ADD CONSTRAINT "fitted_pump_business_id_product_id_product_business_id_id_fk" FOREIGN KEY ("business_id","product_id") REFERENCES "dewpond"."product"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."fitted_pump" ADD CONSTRAINT "fitted_pump_business_id_pump_id_pump_business_id_id_fk" FOREIGN KEY ("business_id","pump_id") REFERENCES "dewpond"."pump"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."fitted_pump" ADD CONSTRAINT "fitted_pump_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD CONSTRAINT "member_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD CONSTRAINT "dog_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD CONSTRAINT "bottle_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ADD CONSTRAINT "lot_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ADD CONSTRAINT "pump_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD CONSTRAINT "stock_entry_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."week_plan" ADD CONSTRAINT "week_plan_business_id_branch_id_branch_business_id_id_fk" FOREIGN KEY ("business_id","branch_id") REFERENCES "dewpond"."branch"("business_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "dewpond"."branch" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."fitted_pump" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY "branch_of_this_business" ON "dewpond"."branch" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
--> statement-breakpoint
CREATE POLICY "fitted_pump_of_this_business" ON "dewpond"."fitted_pump" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
--> statement-breakpoint
ALTER TABLE "dewpond"."branch" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "dewpond"."fitted_pump" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."branch", "dewpond"."fitted_pump" TO dewpond_app;
--> statement-breakpoint
-- A business comes with its first branch.
CREATE FUNCTION dewpond.first_branch() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog
AS $$
BEGIN
  INSERT INTO dewpond.branch (business_id, id, name, kind, made_from) VALUES (NEW.business_id, NEW.business_id, NEW.name, 'salon', '');
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER business_has_a_branch AFTER INSERT ON dewpond.business FOR EACH ROW EXECUTE FUNCTION dewpond.first_branch();
--> statement-breakpoint
-- A signed-in person's transaction: the business, and where in it they stand. What they ask for, where it is there and open;
-- else where they belong; else the first.
CREATE FUNCTION dewpond.stand_in(its uuid, asked uuid, person uuid) RETURNS void LANGUAGE plpgsql SET search_path = pg_catalog
AS $$
BEGIN
  PERFORM set_config('dewpond.business_id', its::text, true);
  PERFORM set_config('dewpond.branch_id', coalesce(
    (SELECT id FROM dewpond.branch WHERE business_id = its AND id = asked AND closed_on IS NULL),
    (SELECT branch_id FROM dewpond.member WHERE business_id = its AND person_id = person),
    its)::text, true);
END
$$;
--> statement-breakpoint
GRANT EXECUTE ON FUNCTION dewpond.stand_in(uuid, uuid, uuid) TO dewpond_app;
--> statement-breakpoint
-- business.places, business.van and product.pump_id stay for a process of the version before, which serves while this runs
-- (decision 0058); a later migration drops them. A table of driving times has names in it: of those there is one copy.
UPDATE "dewpond"."business" SET "van" = NULL WHERE "van" IS NOT NULL;

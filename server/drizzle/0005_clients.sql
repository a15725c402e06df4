CREATE TABLE "dewpond"."own_breed" (
	"business_id" uuid NOT NULL,
	"id" text NOT NULL,
	"breed" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "own_breed_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."own_breed" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."household" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "household_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."household" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."import_run" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"by" text NOT NULL,
	"file_name" text NOT NULL,
	"rows" jsonb NOT NULL,
	"state" text NOT NULL,
	"done" integer DEFAULT 0 NOT NULL,
	"total" integer NOT NULL,
	"cancelled" boolean DEFAULT false NOT NULL,
	"report" jsonb,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "import_run_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."import_run" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."letter" (
	"business_id" uuid NOT NULL,
	"instruction_id" uuid NOT NULL,
	"file_name" text NOT NULL,
	"media_type" text NOT NULL,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"added_by" text NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "letter_business_id_instruction_id_pk" PRIMARY KEY("business_id","instruction_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."letter" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."merge" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"of" text NOT NULL,
	"kept_id" uuid NOT NULL,
	"gone_id" uuid NOT NULL,
	"moved" jsonb NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"undone_at" timestamp with time zone,
	CONSTRAINT "merge_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."merge" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."programme" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"started_on" date NOT NULL,
	"ended_on" date,
	"lessons" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "programme_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."programme" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."vet" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"practice" text NOT NULL,
	"phone" text NOT NULL,
	"email" text NOT NULL,
	"address" text NOT NULL,
	"note" text NOT NULL,
	"archived_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "vet_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."vet" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."weighing" (
	"business_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"kg" double precision NOT NULL,
	"by" text NOT NULL,
	CONSTRAINT "weighing_business_id_dog_id_day_pk" PRIMARY KEY("business_id","dog_id","day"),
	CONSTRAINT "weighing_of_a_dog" CHECK ("dewpond"."weighing"."kg" > 0)
);
--> statement-breakpoint
ALTER TABLE "dewpond"."weighing" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "services" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "lift_alone_kg" double precision DEFAULT 20 NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD COLUMN "card" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD COLUMN "household_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD COLUMN "archived_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "vet_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "chip" text;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "archived_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."own_breed" ADD CONSTRAINT "own_breed_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."household" ADD CONSTRAINT "household_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."import_run" ADD CONSTRAINT "import_run_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."letter" ADD CONSTRAINT "letter_business_id_instruction_id_instruction_business_id_id_fk" FOREIGN KEY ("business_id","instruction_id") REFERENCES "dewpond"."instruction"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."merge" ADD CONSTRAINT "merge_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."programme" ADD CONSTRAINT "programme_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."vet" ADD CONSTRAINT "vet_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."weighing" ADD CONSTRAINT "weighing_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "programme_by_dog" ON "dewpond"."programme" USING btree ("business_id","dog_id");--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD CONSTRAINT "client_business_id_household_id_household_business_id_id_fk" FOREIGN KEY ("business_id","household_id") REFERENCES "dewpond"."household"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD CONSTRAINT "client_business_id_import_id_import_run_business_id_id_fk" FOREIGN KEY ("business_id","import_id") REFERENCES "dewpond"."import_run"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD CONSTRAINT "dog_business_id_vet_id_vet_business_id_id_fk" FOREIGN KEY ("business_id","vet_id") REFERENCES "dewpond"."vet"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD CONSTRAINT "dog_business_id_import_id_import_run_business_id_id_fk" FOREIGN KEY ("business_id","import_id") REFERENCES "dewpond"."import_run"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "client_by_household" ON "dewpond"."client" USING btree ("business_id","household_id");--> statement-breakpoint
CREATE INDEX "client_by_import" ON "dewpond"."client" USING btree ("business_id","import_id");--> statement-breakpoint
CREATE INDEX "dog_by_import" ON "dewpond"."dog" USING btree ("business_id","import_id");--> statement-breakpoint
CREATE UNIQUE INDEX "dog_chip_once" ON "dewpond"."dog" USING btree ("business_id","chip");--> statement-breakpoint
CREATE POLICY "own_breed_of_this_business" ON "dewpond"."own_breed" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "household_of_this_business" ON "dewpond"."household" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "import_run_of_this_business" ON "dewpond"."import_run" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "letter_of_this_business" ON "dewpond"."letter" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "merge_of_this_business" ON "dewpond"."merge" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "programme_of_this_business" ON "dewpond"."programme" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "vet_of_this_business" ON "dewpond"."vet" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "weighing_of_this_business" ON "dewpond"."weighing" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
CREATE TABLE "dewpond"."incident" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"event_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"place" text,
	"done" text NOT NULL,
	"told" text NOT NULL,
	"words" text NOT NULL,
	"ask_on" date NOT NULL,
	CONSTRAINT "incident_business_id_visit_id_event_id_pk" PRIMARY KEY("business_id","visit_id","event_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."photo" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"size" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"made_from" text NOT NULL,
	"added_by" text NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photo_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."photo" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."photo_shown" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"photo_id" uuid NOT NULL,
	"place" text NOT NULL,
	"sign" text,
	CONSTRAINT "photo_shown_business_id_visit_id_photo_id_pk" PRIMARY KEY("business_id","visit_id","photo_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."photo_shown" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."refused_event" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"words" text NOT NULL,
	"content" jsonb NOT NULL,
	"refused_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "refused_event_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."refused_event" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."stage_took" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"stage" text NOT NULL,
	"minutes" double precision NOT NULL,
	"predicted" double precision NOT NULL,
	CONSTRAINT "stage_took_business_id_visit_id_stage_pk" PRIMARY KEY("business_id","visit_id","stage")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."stage_took" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."tool_used" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"part" text NOT NULL,
	"tool" text NOT NULL,
	CONSTRAINT "tool_used_business_id_visit_id_part_pk" PRIMARY KEY("business_id","visit_id","part")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."tool_used" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."finding" ADD COLUMN "more" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "looked" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "back_on" date;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_event" ADD COLUMN "seen" jsonb;--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ADD CONSTRAINT "incident_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ADD CONSTRAINT "incident_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."photo" ADD CONSTRAINT "photo_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."photo_shown" ADD CONSTRAINT "photo_shown_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."photo_shown" ADD CONSTRAINT "photo_shown_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stage_took" ADD CONSTRAINT "stage_took_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."stage_took" ADD CONSTRAINT "stage_took_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."tool_used" ADD CONSTRAINT "tool_used_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."tool_used" ADD CONSTRAINT "tool_used_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "incident_by_dog" ON "dewpond"."incident" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "incident_by_day" ON "dewpond"."incident" USING btree ("business_id","ask_on");--> statement-breakpoint
CREATE INDEX "photo_by_visit" ON "dewpond"."photo" USING btree ("business_id","visit_id");--> statement-breakpoint
CREATE INDEX "photo_shown_by_dog" ON "dewpond"."photo_shown" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "stage_took_by_dog" ON "dewpond"."stage_took" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "tool_used_by_dog" ON "dewpond"."tool_used" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE POLICY "incident_of_this_business" ON "dewpond"."incident" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "photo_of_this_business" ON "dewpond"."photo" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "photo_shown_of_this_business" ON "dewpond"."photo_shown" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "refused_event_of_this_business" ON "dewpond"."refused_event" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "stage_took_of_this_business" ON "dewpond"."stage_took" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "tool_used_of_this_business" ON "dewpond"."tool_used" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
CREATE SCHEMA "dewpond";
--> statement-breakpoint
CREATE SCHEMA "auth";
--> statement-breakpoint
CREATE TABLE "dewpond"."amount_used" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"product_id" uuid NOT NULL,
	"used_ml" double precision NOT NULL,
	"predicted_ml" double precision NOT NULL,
	"complete" boolean NOT NULL,
	CONSTRAINT "amount_used_business_id_visit_id_product_id_pk" PRIMARY KEY("business_id","visit_id","product_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."appointment" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"member_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"state" text DEFAULT 'booked' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "appointment_business_id_id_pk" PRIMARY KEY("business_id","id"),
	CONSTRAINT "appointment_takes_time" CHECK ("dewpond"."appointment"."ends_at" > "dewpond"."appointment"."starts_at")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."bottle" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"brim" double precision NOT NULL,
	"line" double precision NOT NULL,
	"graduation" double precision,
	CONSTRAINT "bottle_business_id_id_pk" PRIMARY KEY("business_id","id"),
	CONSTRAINT "bottle_line_below_brim" CHECK ("dewpond"."bottle"."line" > 0 and "dewpond"."bottle"."line" <= "dewpond"."bottle"."brim")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."business" (
	"business_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"zone" text NOT NULL,
	"units" text NOT NULL,
	"ways" jsonb NOT NULL,
	"plucking_by_vets_only" boolean DEFAULT false NOT NULL,
	"school_changed_on" date,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
ALTER TABLE "dewpond"."business" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."client" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"phone" text NOT NULL,
	"email" text NOT NULL,
	"note" text NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."client" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."dog" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"name" text NOT NULL,
	"profile" jsonb NOT NULL,
	"home_care_changed_on" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "dog_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."finding" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"place" text NOT NULL,
	"sign" text NOT NULL,
	"grade" smallint NOT NULL,
	"answer" boolean,
	"level" text NOT NULL,
	CONSTRAINT "finding_business_id_visit_id_place_sign_pk" PRIMARY KEY("business_id","visit_id","place","sign")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."finding" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."instruction" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"by" text NOT NULL,
	"who" text NOT NULL,
	"place" text,
	"says" jsonb NOT NULL,
	"from_day" date NOT NULL,
	"until_day" date,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "instruction_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."instruction" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."member" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	CONSTRAINT "member_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."member" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."place_care" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"place" text NOT NULL,
	"cared" boolean NOT NULL,
	"barred" boolean NOT NULL,
	"looked" boolean NOT NULL,
	"dirty_pads" smallint,
	"dirt" smallint NOT NULL,
	"level" text NOT NULL,
	CONSTRAINT "place_care_business_id_visit_id_place_pk" PRIMARY KEY("business_id","visit_id","place")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."product" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"label" text NOT NULL,
	"water_parts" text,
	"contact_least" double precision,
	"contact_most" double precision,
	"amount_factor" double precision DEFAULT 1 NOT NULL,
	"supplied_by" text NOT NULL,
	"cost_per_ml" double precision,
	"stroke_ml" double precision,
	CONSTRAINT "product_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."product" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."sheet_pdf" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"made_from" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	CONSTRAINT "sheet_pdf_business_id_visit_id_pk" PRIMARY KEY("business_id","visit_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_pdf" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."task_done" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"task" text NOT NULL,
	CONSTRAINT "task_done_business_id_visit_id_task_pk" PRIMARY KEY("business_id","visit_id","task")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."visit" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"appointment_id" uuid,
	"day" date NOT NULL,
	"closed" text,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."visit_event" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"v" smallint NOT NULL,
	"counter" integer NOT NULL,
	"device" text NOT NULL,
	"person_id" uuid NOT NULL,
	"at" bigint NOT NULL,
	"offset_ms" bigint,
	"what" jsonb NOT NULL,
	"made_from" text NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "visit_event_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."visit_event" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "auth"."account" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" uuid NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."invitation" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"organization_id" uuid NOT NULL,
	"email" text NOT NULL,
	"role" text,
	"status" text DEFAULT 'pending' NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"inviter_id" uuid NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."member" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"organization_id" uuid NOT NULL,
	"user_id" uuid NOT NULL,
	"role" text DEFAULT 'member' NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."organization" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"slug" text NOT NULL,
	"logo" text,
	"created_at" timestamp with time zone NOT NULL,
	"metadata" text,
	CONSTRAINT "organization_slug_unique" UNIQUE("slug")
);
--> statement-breakpoint
CREATE TABLE "auth"."rate_limit" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "auth"."session" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" uuid NOT NULL,
	"active_organization_id" text,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "auth"."user" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "auth"."verification" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ADD CONSTRAINT "amount_used_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ADD CONSTRAINT "amount_used_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD CONSTRAINT "appointment_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD CONSTRAINT "appointment_business_id_member_id_member_business_id_id_fk" FOREIGN KEY ("business_id","member_id") REFERENCES "dewpond"."member"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ADD CONSTRAINT "bottle_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ADD CONSTRAINT "client_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ADD CONSTRAINT "dog_business_id_client_id_client_business_id_id_fk" FOREIGN KEY ("business_id","client_id") REFERENCES "dewpond"."client"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."finding" ADD CONSTRAINT "finding_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."finding" ADD CONSTRAINT "finding_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."instruction" ADD CONSTRAINT "instruction_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."member" ADD CONSTRAINT "member_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD CONSTRAINT "place_care_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD CONSTRAINT "place_care_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD CONSTRAINT "product_business_id_business_business_id_fk" FOREIGN KEY ("business_id") REFERENCES "dewpond"."business"("business_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_pdf" ADD CONSTRAINT "sheet_pdf_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ADD CONSTRAINT "task_done_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ADD CONSTRAINT "task_done_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD CONSTRAINT "visit_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD CONSTRAINT "visit_business_id_appointment_id_appointment_business_id_id_fk" FOREIGN KEY ("business_id","appointment_id") REFERENCES "dewpond"."appointment"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_event" ADD CONSTRAINT "visit_event_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."invitation" ADD CONSTRAINT "invitation_organization_id_organization_id_fk" FOREIGN KEY ("organization_id") REFERENCES "auth"."organization"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."invitation" ADD CONSTRAINT "invitation_inviter_id_user_id_fk" FOREIGN KEY ("inviter_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."member" ADD CONSTRAINT "member_organization_id_organization_id_fk" FOREIGN KEY ("organization_id") REFERENCES "auth"."organization"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."member" ADD CONSTRAINT "member_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "amount_used_by_dog" ON "dewpond"."amount_used" USING btree ("business_id","dog_id");--> statement-breakpoint
CREATE INDEX "appointment_by_start" ON "dewpond"."appointment" USING btree ("business_id","starts_at");--> statement-breakpoint
CREATE INDEX "appointment_by_dog" ON "dewpond"."appointment" USING btree ("business_id","dog_id","starts_at");--> statement-breakpoint
CREATE INDEX "dog_by_client" ON "dewpond"."dog" USING btree ("business_id","client_id");--> statement-breakpoint
CREATE INDEX "finding_by_dog" ON "dewpond"."finding" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "finding_by_day" ON "dewpond"."finding" USING btree ("business_id","day");--> statement-breakpoint
CREATE INDEX "instruction_by_dog" ON "dewpond"."instruction" USING btree ("business_id","dog_id");--> statement-breakpoint
CREATE INDEX "place_care_by_dog" ON "dewpond"."place_care" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "task_done_by_dog" ON "dewpond"."task_done" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "visit_by_dog" ON "dewpond"."visit" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE INDEX "visit_by_appointment" ON "dewpond"."visit" USING btree ("business_id","appointment_id");--> statement-breakpoint
CREATE INDEX "visit_event_by_visit" ON "dewpond"."visit_event" USING btree ("business_id","visit_id");--> statement-breakpoint
CREATE INDEX "account_userId_idx" ON "auth"."account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "invitation_organizationId_idx" ON "auth"."invitation" USING btree ("organization_id");--> statement-breakpoint
CREATE INDEX "invitation_email_idx" ON "auth"."invitation" USING btree ("email");--> statement-breakpoint
CREATE INDEX "member_organizationId_idx" ON "auth"."member" USING btree ("organization_id");--> statement-breakpoint
CREATE INDEX "member_userId_idx" ON "auth"."member" USING btree ("user_id");--> statement-breakpoint
CREATE UNIQUE INDEX "organization_slug_uidx" ON "auth"."organization" USING btree ("slug");--> statement-breakpoint
CREATE INDEX "session_userId_idx" ON "auth"."session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "verification_identifier_idx" ON "auth"."verification" USING btree ("identifier");--> statement-breakpoint
CREATE POLICY "amount_used_of_this_business" ON "dewpond"."amount_used" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "appointment_of_this_business" ON "dewpond"."appointment" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "bottle_of_this_business" ON "dewpond"."bottle" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "business_of_this_business" ON "dewpond"."business" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "client_of_this_business" ON "dewpond"."client" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "dog_of_this_business" ON "dewpond"."dog" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "finding_of_this_business" ON "dewpond"."finding" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "instruction_of_this_business" ON "dewpond"."instruction" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "member_of_this_business" ON "dewpond"."member" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "place_care_of_this_business" ON "dewpond"."place_care" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "product_of_this_business" ON "dewpond"."product" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "sheet_pdf_of_this_business" ON "dewpond"."sheet_pdf" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "task_done_of_this_business" ON "dewpond"."task_done" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "visit_of_this_business" ON "dewpond"."visit" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "visit_event_of_this_business" ON "dewpond"."visit_event" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
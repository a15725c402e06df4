CREATE TABLE "dewpond"."message" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"dog_id" uuid,
	"visit_id" uuid,
	"link_id" uuid,
	"kind" text NOT NULL,
	"channel" text NOT NULL,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"words" text NOT NULL,
	"state" text NOT NULL,
	"tries" smallint DEFAULT 0 NOT NULL,
	"next_try_at" timestamp with time zone,
	"last_word" text DEFAULT '' NOT NULL,
	"via" text,
	"asked_by" text NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"taken_at" timestamp with time zone,
	"sent_at" timestamp with time zone,
	CONSTRAINT "message_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."message" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."owner_link" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"secret_hash" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"revoked_at" timestamp with time zone,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone,
	"last_seen_at" timestamp with time zone,
	CONSTRAINT "owner_link_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."owner_link" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."referral" (
	"business_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"place" text NOT NULL,
	"level" text NOT NULL,
	"opened_on" date NOT NULL,
	"told" jsonb,
	"answer" jsonb,
	"vet" jsonb,
	"ended" jsonb,
	"version" integer DEFAULT 1 NOT NULL,
	"made_from" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "referral_business_id_id_pk" PRIMARY KEY("business_id","id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."referral" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dewpond"."sheet_edit" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"edits" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"edited_by" text NOT NULL,
	"edited_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sheet_edit_business_id_visit_id_pk" PRIMARY KEY("business_id","visit_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_edit" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "phone" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "email" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "colour" text DEFAULT '#125B60' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "wording" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."message" ADD CONSTRAINT "message_business_id_client_id_client_business_id_id_fk" FOREIGN KEY ("business_id","client_id") REFERENCES "dewpond"."client"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."owner_link" ADD CONSTRAINT "owner_link_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."referral" ADD CONSTRAINT "referral_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."referral" ADD CONSTRAINT "referral_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_edit" ADD CONSTRAINT "sheet_edit_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "message_by_day" ON "dewpond"."message" USING btree ("business_id","created_at");--> statement-breakpoint
CREATE INDEX "message_by_client" ON "dewpond"."message" USING btree ("business_id","client_id","created_at");--> statement-breakpoint
CREATE INDEX "message_waiting" ON "dewpond"."message" USING btree ("business_id","state","next_try_at");--> statement-breakpoint
CREATE UNIQUE INDEX "owner_link_by_secret" ON "dewpond"."owner_link" USING btree ("business_id","secret_hash");--> statement-breakpoint
CREATE INDEX "owner_link_by_dog" ON "dewpond"."owner_link" USING btree ("business_id","dog_id");--> statement-breakpoint
CREATE UNIQUE INDEX "referral_of_visit" ON "dewpond"."referral" USING btree ("business_id","visit_id","place");--> statement-breakpoint
CREATE INDEX "referral_by_dog" ON "dewpond"."referral" USING btree ("business_id","dog_id");--> statement-breakpoint
CREATE POLICY "message_of_this_business" ON "dewpond"."message" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "owner_link_of_this_business" ON "dewpond"."owner_link" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "referral_of_this_business" ON "dewpond"."referral" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));--> statement-breakpoint
CREATE POLICY "sheet_edit_of_this_business" ON "dewpond"."sheet_edit" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
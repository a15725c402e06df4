CREATE TABLE "dewpond"."dog_due" (
	"business_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"made_on" date,
	"next" jsonb,
	"open_vet" boolean DEFAULT false NOT NULL,
	"touched" "xid8" DEFAULT '3'::xid8 NOT NULL,
	CONSTRAINT "dog_due_business_id_dog_id_pk" PRIMARY KEY("business_id","dog_id")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ADD CONSTRAINT "dog_due_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE POLICY "dog_due_of_this_business" ON "dewpond"."dog_due" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
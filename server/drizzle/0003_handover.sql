CREATE TABLE "dewpond"."handover_answer" (
	"business_id" uuid NOT NULL,
	"visit_id" uuid NOT NULL,
	"dog_id" uuid NOT NULL,
	"day" date NOT NULL,
	"question" text NOT NULL,
	"answer" boolean NOT NULL,
	CONSTRAINT "handover_answer_business_id_visit_id_question_pk" PRIMARY KEY("business_id","visit_id","question")
);
--> statement-breakpoint
ALTER TABLE "dewpond"."handover_answer" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "dewpond"."handover_answer" ADD CONSTRAINT "handover_answer_business_id_visit_id_visit_business_id_id_fk" FOREIGN KEY ("business_id","visit_id") REFERENCES "dewpond"."visit"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dewpond"."handover_answer" ADD CONSTRAINT "handover_answer_business_id_dog_id_dog_business_id_id_fk" FOREIGN KEY ("business_id","dog_id") REFERENCES "dewpond"."dog"("business_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "handover_answer_by_dog" ON "dewpond"."handover_answer" USING btree ("business_id","dog_id","day");--> statement-breakpoint
CREATE POLICY "handover_answer_of_this_business" ON "dewpond"."handover_answer" AS PERMISSIVE FOR ALL TO "dewpond_app" USING (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid)) WITH CHECK (business_id = (select nullif(current_setting('dewpond.business_id', true), '')::uuid));
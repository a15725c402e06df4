ALTER TABLE "dewpond"."member" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."own_breed" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."client" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."dog_due" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."household" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."import_run" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."instruction" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."letter" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."merge" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."programme" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."vet" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."weighing" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."finding" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."handover_answer" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."incident" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."photo" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."photo_shown" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."refused_event" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_pdf" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."stage_took" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."tool_used" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."visit_event" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."amount_used" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."bottle" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."lot" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."lot_touched" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_lot" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."mix_taken" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."home_photo" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."home_tick" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."message" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."owner_link" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."referral" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_edit" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."audit" ALTER COLUMN "business_id" SET DEFAULT nullif(current_setting('dewpond.business_id', true), '')::uuid;--> statement-breakpoint
CREATE INDEX "refused_event_by_visit" ON "dewpond"."refused_event" USING btree ("business_id","visit_id");--> statement-breakpoint
CREATE INDEX "visit_away" ON "dewpond"."visit" USING btree ("business_id","back_on") WHERE "dewpond"."visit"."closed" is null;--> statement-breakpoint
CREATE INDEX "made_mix_by_dog" ON "dewpond"."made_mix" USING btree ("business_id","dog_id");--> statement-breakpoint
CREATE INDEX "message_by_dog" ON "dewpond"."message" USING btree ("business_id","dog_id","created_at");
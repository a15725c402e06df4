ALTER TABLE "dewpond"."dog_due" ADD COLUMN "watched" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX "dog_due_to_watch" ON "dewpond"."dog_due" USING btree ("business_id") WHERE "dewpond"."dog_due"."watched" or "dewpond"."dog_due"."made_on" is null;--> statement-breakpoint
-- Whether a dog is on the watch list is kept with what is due: of all dogs it is reckoned anew.
UPDATE "dewpond"."dog_due" SET "made_on" = NULL;

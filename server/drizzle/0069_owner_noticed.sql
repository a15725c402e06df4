CREATE INDEX "owner_answer_by_dog" ON "dewpond"."owner_answer" USING btree ("business_id","dog_id");--> statement-breakpoint
-- What an owner noticed at home moves what is due.
CREATE TRIGGER "due_stale_added" AFTER INSERT ON "dewpond"."owner_answer" REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION "dewpond"."due_of_dogs_is_stale"();

ALTER TABLE "dewpond"."business" ADD COLUMN "feed_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."business" ADD COLUMN "feed_hash" text;
ALTER TABLE "dewpond"."place_care" ADD COLUMN "hair_seen" text;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD COLUMN "hair_did" text;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD COLUMN "hair_came" text;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD COLUMN "hair_borne" text;--> statement-breakpoint
ALTER TABLE "dewpond"."place_care" ADD COLUMN "hair_left" text;
ALTER TABLE "dewpond"."business" DROP COLUMN "plucking_by_vets_only";--> statement-breakpoint
ALTER TABLE "dewpond"."client" DROP COLUMN "phone";--> statement-breakpoint
ALTER TABLE "dewpond"."client" DROP COLUMN "email";--> statement-breakpoint
ALTER TABLE "dewpond"."client" DROP COLUMN "note";
ALTER TABLE "dewpond"."business" ADD COLUMN "visit_kinds" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."appointment" ADD COLUMN "agreed" jsonb;
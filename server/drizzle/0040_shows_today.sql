ALTER TABLE "dewpond"."visit" ADD COLUMN "shown" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."visit" ADD COLUMN "marks_kept" jsonb DEFAULT '[]'::jsonb NOT NULL;
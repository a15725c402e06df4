ALTER TABLE "dewpond"."business" ADD COLUMN "currency" text DEFAULT 'GBP' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."product" ADD COLUMN "usual" boolean DEFAULT false NOT NULL;
ALTER TABLE "dewpond"."import_run" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."letter" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."merge" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."weighing" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."photo" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."made_mix" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."pump" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."stock_entry" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."message" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."owner_link" ADD COLUMN "person_id" uuid;--> statement-breakpoint
ALTER TABLE "dewpond"."sheet_edit" ADD COLUMN "person_id" uuid;
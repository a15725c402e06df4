-- As every table of a business.
ALTER TABLE "dewpond"."handover_answer" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."handover_answer" TO dewpond_app;

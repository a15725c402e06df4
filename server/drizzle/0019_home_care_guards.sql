-- As every table of a business.
ALTER TABLE "dewpond"."home_tick" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."home_tick" TO dewpond_app;

-- As every table of a business.
ALTER TABLE "dewpond"."home_photo" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dewpond"."home_photo" TO dewpond_app;

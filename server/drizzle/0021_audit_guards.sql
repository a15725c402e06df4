-- As every table of a business; and what was noted down is only ever added to.
ALTER TABLE "dewpond"."audit" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT SELECT, INSERT ON "dewpond"."audit" TO dewpond_app;

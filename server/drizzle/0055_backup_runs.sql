CREATE TABLE "auth"."backup_run" (
	"id" uuid PRIMARY KEY DEFAULT pg_catalog.gen_random_uuid() NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"bytes" bigint NOT NULL,
	"seconds" double precision NOT NULL,
	"is_ok" boolean NOT NULL,
	"words" text NOT NULL
);
--> statement-breakpoint
GRANT SELECT ON "auth"."backup_run" TO dewpond_auth;

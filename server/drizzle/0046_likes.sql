-- What a dog likes stands beside what it minds; nobody has said anything yet. No plan changes by it.
ALTER TABLE "dewpond"."dog" DISABLE TRIGGER USER;--> statement-breakpoint
UPDATE "dewpond"."dog" SET "profile" = jsonb_set("profile", '{handling,likes}', '[]'::jsonb)
WHERE jsonb_typeof("profile" -> 'handling') = 'object' AND NOT ("profile" -> 'handling' ? 'likes');--> statement-breakpoint
ALTER TABLE "dewpond"."dog" ENABLE TRIGGER USER;

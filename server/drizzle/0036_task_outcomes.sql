ALTER TABLE "dewpond"."place_care" ADD COLUMN "needed_nothing" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ADD COLUMN "outcome" text DEFAULT 'done' NOT NULL;--> statement-breakpoint
ALTER TABLE "dewpond"."task_done" ADD COLUMN "grade" smallint;--> statement-breakpoint
-- What earlier visits say of it. A coat has a grade where all of it was looked at: free 0, tangles 1, loose mats 2, a mat
-- to the skin 3; the rear is clean 0 or soiled 2. What was done stays done.
INSERT INTO "dewpond"."task_done" ("business_id", "visit_id", "dog_id", "day", "task", "outcome", "grade")
SELECT v."business_id", v."id", v."dog_id", v."day", 'brush-out', 'seen', coalesce((
    SELECT max(CASE WHEN f."sign" = 'tangles' THEN 1 WHEN f."answer" IS FALSE THEN 2 ELSE 3 END)
    FROM "dewpond"."finding" f
    WHERE (f."business_id", f."visit_id") = (v."business_id", v."id") AND f."sign" IN ('tangles', 'mat', 'ear mat', 'eye mat')), 0)
FROM "dewpond"."visit" v
WHERE v."looked" @> '["head/none", "back/none", "side/left", "side/right", "belly/none", "leg front/left", "leg front/right", "leg hind/left", "leg hind/right", "paw front/left", "paw front/right", "paw hind/left", "paw hind/right", "rear/none"]'
ON CONFLICT ("business_id", "visit_id", "task") DO UPDATE SET "grade" = excluded."grade";
--> statement-breakpoint
INSERT INTO "dewpond"."task_done" ("business_id", "visit_id", "dog_id", "day", "task", "outcome", "grade")
SELECT v."business_id", v."id", v."dog_id", v."day", 'rear', 'seen', CASE WHEN EXISTS (
    SELECT FROM "dewpond"."finding" f
    WHERE (f."business_id", f."visit_id") = (v."business_id", v."id") AND f."sign" = 'soiled rear') THEN 2 ELSE 0 END
FROM "dewpond"."visit" v
WHERE v."looked" @> '["rear/none"]'
ON CONFLICT ("business_id", "visit_id", "task") DO UPDATE SET "grade" = excluded."grade";
--> statement-breakpoint
-- "Not needed today" was a reason to skip a step; it says that somebody looked.
CREATE TEMPORARY TABLE "not_needed" AS
SELECT last."business_id", last."visit_id", last."step" FROM (
  SELECT DISTINCT ON (e."business_id", e."visit_id", e."what" ->> 'step')
    e."business_id", e."visit_id", e."what" ->> 'step' AS "step", e."what" AS "what"
  FROM "dewpond"."visit_event" e
  WHERE e."what" ->> 'type' IN ('step done', 'step skipped', 'step undone')
  ORDER BY e."business_id", e."visit_id", e."what" ->> 'step', e."counter" DESC, e."device" COLLATE "C" DESC, e."id" DESC) last
WHERE last."what" ->> 'type' = 'step skipped'
  AND (last."what" ->> 'because' = 'not needed today' OR last."what" -> 'because' ->> 'choice' = 'not needed');
--> statement-breakpoint
INSERT INTO "dewpond"."task_done" ("business_id", "visit_id", "dog_id", "day", "task", "outcome", "grade")
SELECT v."business_id", v."id", v."dog_id", v."day", n."step", 'not needed', CASE n."step" WHEN 'nails' THEN 0 END
FROM "not_needed" n JOIN "dewpond"."visit" v ON (v."business_id", v."id") = (n."business_id", n."visit_id")
WHERE n."step" IN ('nails', 'brush-out', 'teeth')
ON CONFLICT ("business_id", "visit_id", "task") DO UPDATE SET "outcome" = 'not needed'
WHERE "task_done"."outcome" <> 'done';
--> statement-breakpoint
UPDATE "dewpond"."place_care" c SET "needed_nothing" = true
FROM "not_needed" n
WHERE (n."business_id", n."visit_id") = (c."business_id", c."visit_id") AND NOT c."cared" AND NOT c."barred"
  AND n."step" IN (
    'ears, first pass ' || split_part(c."place", '/', 2), 'eyes, on the table ' || split_part(c."place", '/', 2), 'folds ' || c."place")
  AND (c."place" LIKE 'fold %' OR n."step" LIKE split_part(c."place", '/', 1) || 's, %');
--> statement-breakpoint
DROP TABLE "not_needed";

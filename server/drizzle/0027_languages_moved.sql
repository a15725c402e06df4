-- What a house says otherwise was kept under the sentence it stands for, in the one language there was. It is kept under
-- an id, by language: a sentence that is mended later orphans nothing. Words under a sentence that is not known stay.
UPDATE "dewpond"."business" b SET "wording" = jsonb_build_object('en-GB', (
  SELECT jsonb_object_agg(coalesce(known."id", said."key"), said."value")
  FROM jsonb_each(b."wording") AS said
  LEFT JOIN (VALUES
    ('home Brush to the skin, comb to check. No water on mats.', 'home brush to the skin'),
    ('home In the moult: undercoat out with a rubber tool, along the lie of the hair.', 'home undercoat in the moult'),
    ('home Until the next visit: comb to the skin a little each day, dry; ring where it will not open.', 'home comb what is matted'),
    ('home Brush with a paste made to be swallowed, front teeth first.', 'home brush the teeth'),
    ('home Lift each flap: look and smell. Nothing goes in.', 'home look into the ears'),
    ('home After every walk: ears and between the toes, look for seeds. Never reach in after one.', 'home look for seeds'),
    ('home After a swim: dry the flap and the opening, look and smell.', 'home dry after a swim'),
    ('home Wipe below the eye with a damp pad, then dry.', 'home wipe below the eye'),
    ('home Clean below the eye with a damp pad and dry well.', 'home clean a wet face'),
    ('home In hay-fever weeks: face and paws wiped with a damp cloth after walks, then dried.', 'home wipe after walks'),
    ('home Comb the corner hair away from the eye, wipe, dry.', 'home comb the eye corner'),
    ('home Lift the fold, wipe, dry.', 'home wipe a light fold'),
    ('home Lift the fold, wipe until clean, dry well.', 'home wipe a deep fold'),
    ('home If dry and scaly: a little balm, warmed on the fingertip. Lick-safe.', 'home balm on the nose'),
    ('home Wipe the outer ear with a damp pad, as deep as the eye sees.', 'home wipe the outer ear'),
    ('home Look at the nails on a hard floor; ring if they click.', 'home listen for nails'),
    ('home Look under the tail; comb out what sticks, ring if it is sore.', 'home look under the tail')
  ) AS known("sentence", "id") ON known."sentence" = said."key"
)) WHERE b."wording" <> '{}'::jsonb;
--> statement-breakpoint
-- Nobody has been asked yet what language they read.
UPDATE "dewpond"."client" SET "card" = "card" || '{"language": null}'::jsonb;
--> statement-breakpoint
-- Plans are made otherwise now: what is next due is reckoned anew.
UPDATE "dewpond"."dog_due" SET "made_on" = NULL;

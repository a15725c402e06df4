/**
 * What an owner is asked to do between visits, by id. Owners read it in their language and in the business's own words
 * (wording); the id is what is kept.
 */
export const HOME_HOWS = {
  'brush to the skin': 'Brush to the skin, comb to check. No water on mats.',
  'undercoat in the moult': 'In the moult: undercoat out with a rubber tool, along the lie of the hair.',
  'comb what is matted': 'Until the next visit: comb to the skin a little each day, dry; ring where it will not open.',
  'brush the teeth': 'Brush with a paste made to be swallowed, front teeth first.',
  'look into the ears': 'Lift each flap: look and smell. Nothing goes in.',
  'look for seeds': 'After every walk: ears and between the toes, look for seeds. Never reach in after one.',
  'dry after a swim': 'After a swim: dry the flap and the opening, look and smell.',
  'wipe below the eye': 'Wipe below the eye with a damp pad, then dry.',
  'clean a wet face': 'Clean below the eye with a damp pad and dry well.',
  'wipe after walks': 'In hay-fever weeks: face and paws wiped with a damp cloth after walks, then dried.',
  'comb the eye corner': 'Comb the corner hair away from the eye, wipe, dry.',
  'wipe a light fold': 'Lift the fold, wipe, dry.',
  'wipe a deep fold': 'Lift the fold, wipe until clean, dry well.',
  'balm on the nose': 'If dry and scaly: a little balm, warmed on the fingertip. Lick-safe.',
  'wipe the outer ear': 'Wipe the outer ear with a damp pad, as deep as the eye sees.',
  'listen for nails': 'Look at the nails on a hard floor; ring if they click.',
  'bath at home': 'A bath, mixed on the day, rinsed until nothing bubbles, dried to the skin.',
  'look under the tail': 'Look under the tail; comb out what sticks, ring if it is sore.',
} as const;
export type HomeHow = keyof typeof HOME_HOWS;
export const ALL_HOME_HOWS = Object.keys(HOME_HOWS) as readonly HomeHow[];

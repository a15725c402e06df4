/** How much it matters, least first. */
export const LEVELS = ['none', 'note', 'watch', 'tell', 'vet', 'vet soon', 'vet today', 'emergency'] as const;
export type Level = (typeof LEVELS)[number];

/** S0 none. S1 nothing into the place. S2 nothing in or on the place. S3 end the visit. */
export const STOPS = ['S0', 'S1', 'S2', 'S3'] as const;
export type Stop = (typeof STOPS)[number];

const higher = <T>(order: readonly T[], a: T, b: T): T => (order.indexOf(a) >= order.indexOf(b) ? a : b);

export const higherLevel = (a: Level, b: Level): Level => higher(LEVELS, a, b);
export const higherStop = (a: Stop, b: Stop): Stop => higher(STOPS, a, b);
export const atLeast = (level: Level, floor: Level): boolean => LEVELS.indexOf(level) >= LEVELS.indexOf(floor);
export const stopsAtLeast = (stop: Stop, floor: Stop): boolean => STOPS.indexOf(stop) >= STOPS.indexOf(floor);

/** What a level asks of people [common practice]. */
export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  none: 'clear',
  note: 'recorded',
  watch: 'ask again next time',
  tell: 'tell the owner',
  vet: 'a vet should look within 7 days, before the next care of that place',
  'vet soon': 'a vet should look within 24–48 hours',
  'vet today': 'a vet should look today',
  emergency: 'leave for a vet now',
};

export const STOP_WORDS: Readonly<Record<Stop, string>> = {
  S0: '',
  S1: 'Nothing goes into this place today.',
  S2: 'Leave this place alone today: no wash, clip or comb there.',
  S3: 'Stop the visit.',
};

/** What the owner is told to do, by level; the slot is the place. */
export const ADVICE: Readonly<Record<Level, string | null>> = {
  none: null,
  note: null,
  watch: 'We will look at the {place} again next time.',
  tell: 'Please keep an eye on the {place} and ring us if it changes.',
  vet: 'Please let a vet look at the {place} within a week, before we care for it again.',
  'vet soon': 'Please let a vet look at the {place} within a day or two.',
  'vet today': 'Please let a vet look at the {place} today.',
  emergency: 'Please take your dog to a vet now.',
};

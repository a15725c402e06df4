import type { Level } from '../findings';
import { addDays, daysBetween, type Day } from '../units';

export const TOLD_HOW = ['at the door', 'by telephone', 'by e-mail', 'by text message'] as const;
/** How, when and by whom the owner was told. */
export interface ToldOwner {
  readonly how: (typeof TOLD_HOW)[number];
  readonly on: Day;
  readonly by: string;
  /** Whose name that is; not kept before the winter of 2026. */
  readonly personId?: string;
}

export const OWNERS_ANSWERS = ['will go', 'has been', 'will not go', 'not now'] as const;
export interface OwnersAnswer {
  readonly answer: (typeof OWNERS_ANSWERS)[number];
  readonly words: string;
  readonly on: Day;
}

/** What the vet said; where it is an order it becomes an instruction on the dog. */
export interface VetAnswer {
  readonly who: string;
  readonly words: string;
  readonly on: Day;
  readonly instructionId: string | null;
}

export const OUTCOMES = [
  'seen by a vet, all well',
  'seen by a vet, under care',
  'seen clear here',
  'the owner declined',
  'opened by mistake',
] as const;
export interface ReferralEnd {
  readonly outcome: (typeof OUTCOMES)[number];
  readonly on: Day;
  readonly by: string;
  readonly personId?: string;
}

export interface Referral {
  readonly level: Level;
  readonly openedOn: Day;
  readonly told: ToldOwner | null;
  readonly answer: OwnersAnswer | null;
  readonly vet: VetAnswer | null;
  readonly end: ReferralEnd | null;
}

/** Days within which a vet should have looked, by level; docs/trade.md: 7 days, 24–48 hours, today, now. */
const WITHIN_DAYS: Readonly<Partial<Record<Level, number>>> = { vet: 7, 'vet soon': 2, 'vet today': 0, emergency: 0 };

/** The day by which a vet should have looked. */
export const vetBy = ({ level, openedOn }: Pick<Referral, 'level' | 'openedOn'>): Day =>
  addDays(openedOn, WITHIN_DAYS[level] ?? 7);

export const NEXT_STEPS = {
  'tell the owner': 'Tell the owner',
  'hear the owner': 'Ask whether the owner is going',
  'hear the vet': 'Ask what the vet said',
  close: 'Close it',
} as const;
export type NextStep = keyof typeof NEXT_STEPS;

/** What has to happen next; null: it is closed. */
export function nextStep({ told, answer, vet, end }: Referral): NextStep | null {
  if (end) return null;
  if (vet) return 'close';
  if (answer) return answer.answer === 'will not go' ? 'close' : 'hear the vet';
  return told ? 'hear the owner' : 'tell the owner';
}

/** An owner is given this long to say what came of it before we ask again [house value]. */
const ASK_AGAIN_DAYS = 3;

/**
 * The day on which the next step is due: telling at once, asking when a vet should have looked, then every few days,
 * closing when the last word was said.
 */
export function dueOn(referral: Referral): Day | null {
  const step = nextStep(referral);
  if (step === null) return null;
  if (step === 'tell the owner') return referral.openedOn;
  if (step === 'close') return referral.vet?.on ?? referral.answer?.on ?? referral.openedOn;
  const since = referral.answer?.on ?? referral.told?.on ?? referral.openedOn;
  const [by, again] = [vetBy(referral), addDays(since, ASK_AGAIN_DAYS)];
  return step === 'hear the owner' ? (by < again ? by : again) : by > again ? by : again;
}

/** Most pressing first: what is overdue by most, then the higher level is for the caller to weigh. */
export const overdueDays = (referral: Referral, today: Day): number => {
  const due = dueOn(referral);
  return due === null ? Number.NEGATIVE_INFINITY : daysBetween(due, today);
};

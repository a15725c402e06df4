import { CONDITIONS, DONE_AT, areaOf, isKnownSign, mayBeAt, triage, type Condition, type Finding } from '../findings';
import type { Place } from '../places';
import { day } from '../units';
import type { Bar } from './bar';
import { barsFrom } from './barsFrom';
import type { VetLift } from './lift';
import { barsAt, stopAt, type BarAt } from './stopAt';

/** Whether a sign or condition bars anything at a place now, lifted or not. */
export const standsAt = (bars: readonly Bar[], place: Place, what: VetLift['lifts']): boolean =>
  barsAt(bars, place).some(
    ({ reason }) =>
      (reason.kind === 'signs' && reason.seen.some(({ sign }) => sign === what)) ||
      (reason.kind === 'condition' && reason.condition === what),
  );

const ANY_DAY = day('2026-01-01');

/** Why a vet's word cannot lift what it means to lift, to whoever writes it down; null: it can. */
export function liftRefused({
  place,
  lifts,
  procedure,
  upToGrade,
}: Pick<VetLift, 'place' | 'lifts' | 'procedure' | 'upToGrade'>): string | null {
  const area = areaOf(place.site);
  if (procedure === 'look') return 'Looking is never forbidden: there is nothing to lift.';
  if (!DONE_AT[area].includes(procedure)) return `Nobody does “${procedure}” at that place.`;
  const isThere = Object.hasOwn(CONDITIONS, lifts)
    ? CONDITIONS[lifts as Condition].at === area
    : isKnownSign(lifts) && mayBeAt(lifts, place.site);
  if (!isThere) return 'That is not found at that place.';
  const bars = barsThatMayCome({ place, lifts, upToGrade, procedure });
  if (bars.length === 0) return `That takes no “${procedure}” away there: there is nothing to lift.`;
  return bars.some(({ lifted }) => lifted !== null)
    ? null
    : 'That is for a vet’s eyes first, each time anew: no word lifts it ahead.';
}

/** What the sign, in any grade and answer up to the lift's, takes away of the procedure at the place, lifted or not. */
function barsThatMayCome({
  place,
  lifts,
  upToGrade,
  procedure,
}: Pick<VetLift, 'place' | 'lifts' | 'upToGrade' | 'procedure'>): BarAt[] {
  const given: VetLift = { id: '', who: '', place, lifts, upToGrade, procedure, from: ANY_DAY, until: ANY_DAY };
  const nothing = { told: [], tasks: [], procedures: [], nothingElse: [], today: ANY_DAY, lifts: [given] };
  const touch = { place, procedure, product: null };
  if (Object.hasOwn(CONDITIONS, lifts)) {
    const conditions = [{ place, condition: lifts as Condition }];
    return [...stopAt(barsFrom({ ...nothing, judged: [], conditions }), touch).bars];
  }
  const looks = ([1, 2, 3] as const)
    .filter((grade) => grade <= upToGrade)
    .flatMap((grade) =>
      [null, false, true].flatMap((answer) =>
        [false, true].map((flatFaceOrProminentEyes) => {
          const found = { place, sign: lifts, grade, answer } as Finding;
          const dog = { flatFaceOrProminentEyes, grassSeedMonth: false };
          return triage({ place, findings: [found], lastTime: [], known: [], dog, today: ANY_DAY });
        }),
      ),
    );
  return looks.flatMap(
    (seen) => stopAt(barsFrom({ ...nothing, judged: [{ triage: seen, since: null }], conditions: [] }), touch).bars,
  );
}

import { SIDES, type Side } from '../places';
import { correctedTime, sameClock } from '../events';
import type { Step } from '../steps';
import type { TimerState, VisitState } from './state';

/** The clock that is looking. */
export interface Clock {
  readonly device: string;
  readonly at: number;
  readonly offset: number | null;
}

/**
 * Seconds since the timer started, or null for "unknown": a timer of another device needs both offsets measured.
 * A clock that went backwards is unknown, too.
 */
export function elapsedSeconds(timer: TimerState, clock: Clock): number | null {
  const { started } = timer;
  const ms = sameClock(started.device, clock.device)
    ? clock.at - started.at
    : clock.offset === null || started.offset === null
      ? null
      : clock.at + clock.offset - (correctedTime(started) ?? 0);
  return ms === null || ms < 0 ? null : Math.floor(ms / 1000);
}

/** Whether a stopped timer ran its full time; null when unknown or still running. */
export function ranFull(timer: TimerState): boolean | null {
  if (!timer.stopped) return null;
  const elapsed = elapsedSeconds(timer, timer.stopped);
  return elapsed === null ? null : elapsed >= timer.seconds;
}

/** Contact times that ended before the label's or the vet's least: rinsed early, by a clock that is known. */
export const contactsCutShort = (timers: readonly TimerState[]): TimerState[] =>
  timers.filter((timer) => timer.timer.startsWith('contact') && ranFull(timer) === false);

/** Still running and past its most time: what stands on the skin too long. Null where the time is unknown. */
export function pastMost(timer: TimerState, clock: Clock): boolean | null {
  const elapsed = elapsedSeconds(timer, timer.stopped ?? clock);
  return elapsed === null || timer.most === null ? null : elapsed > timer.most;
}

/** An ear in which cleaner works through the bath, and the clock that started with its first pass. */
export interface EarSoak {
  readonly side: Side;
  readonly clock: TimerState;
}

/**
 * Ears whose cleaner is still in: first pass done, no pad clean yet, second pass not yet. The trade names no least time,
 * it works "through the bath", so nothing rings; how long it has been in is read off the steps themselves. A pad that
 * came out clean says that it has done its work.
 */
export const earSoaks = ({ steps, pads }: Pick<VisitState, 'steps' | 'pads'>, list: readonly Step[]): EarSoak[] =>
  SIDES.flatMap((side) => {
    const first = steps[`ears, first pass ${side}`];
    const poured = list.some(({ id, pieces }) => id === `ears, first pass ${side}` && pieces.some(isCleaner));
    if (!poured || first?.kind !== 'done' || steps[`ears, second pass ${side}`] || pads[side].clean) return [];
    const clock = {
      timer: `soak ${side}`,
      step: first.by.id,
      seconds: 0,
      most: null,
      started: first.by,
      stopped: null,
    };
    return [{ side, clock }];
  });

const isCleaner = ({ id }: Step['pieces'][number]): boolean => id.startsWith('ear cleaner');

/** The clock of a nicked quick, and how long a clot is given before water comes to it, s [house value]. */
export const CLOT = 'clot';
export const CLOT_SECONDS = 300;

/** What a timer is called where its step is not in sight: "Contact, wash 1", "Massage, left ear". */
export function timerName(timer: string): string {
  const [kind, which, again] = timer.split(' ');
  if (kind === 'contact') return `Contact, wash ${which}`;
  if (kind === 'massage') return `Massage, ${again ?? which} ear`;
  if (kind === 'redness') return `Look again for redness, ${which} ear`;
  if (kind === CLOT) return 'Clot, the nicked nail';
  if (kind === 'crust') return `Crust softening, ${which} eye`;
  return timer.replace(/^./, (letter) => letter.toUpperCase());
}

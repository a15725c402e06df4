import { namePlace } from '../places';
import { COMMON_PRACTICE, PRODUCT_LABEL, type Source } from '../provenance';
import type { VisitState } from './state';
import type { Step } from '../steps';
import { CLOT, elapsedSeconds, type Clock } from './timers';

/**
 * Something to think of before a step counts as done. It may be overridden, for a reason and by name; a safety stop is
 * no caution and has no override.
 */
export interface Caution {
  readonly id: string;
  readonly words: string;
  readonly source: Source;
}

/** What speaks against marking this step done now. A caution already overridden for it is not said again. */
export function cautionsNow(state: VisitState, step: Step, clock: Clock): Caution[] {
  const said = state.overridden.filter((each) => each.step === step.id).map((each) => each.caution);
  return [
    ...contact(state, step, clock),
    ...clot(state, step, clock),
    ...unchecked(state, step),
    ...padless(state, step),
  ].filter(({ id }) => !said.includes(id));
}

/** The contact clock was not started, or has not run its least time: of a wash, or of the disinfectant after what may spread. */
function contact(state: VisitState, step: Step, clock: Clock): Caution[] {
  if (step.stage !== 'contact' && step.stage !== 'contact 2' && step.title.id !== 'long clean-down') return [];
  const { dwell } = step;
  if (!dwell) return [];
  const timer = state.timers.find((each) => each.timer === dwell.timer);
  const elapsed = timer ? elapsedSeconds(timer, timer.stopped ?? clock) : 0;
  // A label may ask for longer than the step.
  const wanted = Math.max(dwell.seconds, timer?.seconds ?? 0);
  if (elapsed !== null && elapsed >= wanted) return [];
  const stood =
    elapsed === null ? 'How long it stood is not known' : `It stood ${minutes(elapsed)} of ${minutes(wanted)} min`;
  return [
    { id: 'contact time', words: `${stood}. Contact time is not reached.`, source: dwell.source ?? PRODUCT_LABEL },
  ];
}

const minutes = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

/** Water on a nicked nail before its clot has held washes it off. */
function clot(state: VisitState, step: Step, clock: Clock): Caution[] {
  if (step.stage !== 'wet') return [];
  const timer = state.timers.find((each) => each.timer === CLOT);
  if (!timer) return [];
  const held = elapsedSeconds(timer, timer.stopped ?? clock);
  if (held !== null && held >= timer.seconds) return [];
  const words =
    held === null
      ? 'A nail was nicked: how long its clot has held is not known.'
      : `A nail was nicked: its clot has held ${minutes(held)} of ${minutes(timer.seconds)} min. Water waits for it.`;
  return [{ id: 'clot', words, source: COMMON_PRACTICE }];
}

function unchecked(state: VisitState, step: Step): Caution[] {
  const ticked = state.checked[step.id] ?? [];
  const left = step.parts.filter((part) => !ticked.includes(part));
  if (left.length === 0) return [];
  // After an ordinary dog the log says what was cleaned; only what may spread waits for all of it.
  if (step.stage === 'clean-down' && step.title.id !== 'long clean-down') return [];
  const words = `${step.stage === 'clean-down' ? 'Not cleaned yet' : 'Not felt dry yet'}: ${left.join(', ')}.`;
  return [{ id: 'not checked', words, source: COMMON_PRACTICE }];
}

/** An ear is done when a pad came out clean. */
function padless(state: VisitState, step: Step): Caution[] {
  const side = step.sides[0];
  if (step.counts !== 'pads' || !side || !step.place || state.pads[side].clean) return [];
  return [
    {
      id: 'no clean pad',
      words: `No clean pad from the ${namePlace(step.place)} yet.`,
      source: COMMON_PRACTICE,
    },
  ];
}

import type { Place } from '@dewpond/core/places';
import { caresFor } from '@dewpond/core/steps';
import type { LoadedVisit } from './load';

/** Whether a place was cared for: a step was done that cares for it, as bars left that step. */
export const caredFor = ({ state, steps }: LoadedVisit, place: Place): boolean =>
  steps.some((step) => state.steps[step.id]?.kind === 'done' && caresFor(step, place));

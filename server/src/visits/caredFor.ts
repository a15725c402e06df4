import { placeKey, type Place } from '@dewpond/core/places';
import type { LoadedVisit } from './load';

/** Steps whose doing counts as care of a place. A wipe counts, looking does not. */
export const caredFor = ({ state, steps }: LoadedVisit, place: Place): boolean =>
  steps.some(
    (step) =>
      step.place !== null &&
      placeKey(step.place) === placeKey(place) &&
      !step.id.startsWith('ear hair') &&
      state.steps[step.id]?.kind === 'done',
  );

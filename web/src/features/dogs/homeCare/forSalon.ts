import type { HomeCareView } from '@dewpond/contract';
import { ENGLISH, homeLeftTold, homeTaskTold } from '@dewpond/core/wording';

/** Home care as the salon reads it, whatever the owner's language. */
export const forSalon = (home: HomeCareView): HomeCareView => ({
  ...home,
  language: ENGLISH.language,
  words: ENGLISH.page,
  tasks: home.tasks.map((task) => homeTaskTold(ENGLISH, task)),
  left: home.left.map((each) => homeLeftTold(ENGLISH, each)),
});

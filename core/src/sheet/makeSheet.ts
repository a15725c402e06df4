import { higherLevel, type Level } from '../findings';
import { notLookedAt } from '../visit';
import { didLines } from './didLines';
import { clearLine, sawLines } from './sawLines';
import type { OwnerSheet, SheetInput } from './sheet';
import { homeCareLines, suggestLines } from './suggestLines';

/** The owner sheet of a visit, from its events alone. Pure; the same visit gives the same words. */
export function makeSheet(input: SheetInput): OwnerSheet {
  const missing = notLookedAt(input.state, input.places);
  const saw = sawLines(
    input,
    input.places.filter((place) => !missing.includes(place)),
  );
  return {
    dog: input.dog,
    day: input.day,
    language: input.wording.language,
    saw,
    clear: clearLine(saw, input.wording),
    did: didLines(input, missing),
    suggest: suggestLines(input, saw),
    homeCare: homeCareLines(input.due, input.wording, input.day),
    level: saw.reduce<Level>((level, each) => higherLevel(level, each.level), 'none'),
    lookAgain: input.state.cameInLater.length > 0,
  };
}

import { higherLevel, type Level } from '../findings';
import { showDay } from '../units';
import { notLookedAt } from '../visit';
import { didLines } from './didLines';
import { capital, clearLine, sawLines } from './sawLines';
import type { OwnerSheet, SheetFrame, SheetInput } from './sheet';
import { homeCareLines, suggestLines } from './suggestLines';
import { sentence } from '../wording';

/** The owner sheet of a visit, from its events alone. Pure; the same visit gives the same words. */
export function makeSheet(input: SheetInput): OwnerSheet {
  // The nose pad is asked about since lately: no sheet of before is to say that it was missed.
  const unseen = notLookedAt(input.state, input.places);
  const missing = unseen.filter(({ site }) => site !== 'nose pad');
  const saw = sawLines(
    input,
    input.places.filter((place) => !unseen.includes(place)),
  );
  const level = saw.reduce<Level>((highest, each) => higherLevel(highest, each.level), 'none');
  return {
    dog: input.dog,
    day: input.day,
    language: input.wording.language,
    frame: frameOf(input, level),
    saw,
    clear: clearLine(saw, input.wording),
    did: didLines(input, missing),
    suggest: suggestLines(input, saw),
    homeCare: homeCareLines(input.due, input.wording, input.day),
    level,
    lookAgain: input.state.cameInLater.length > 0,
  };
}

function frameOf({ dog, day, wording }: SheetInput, level: Level): SheetFrame {
  const { sentences, presses, grades, language } = wording;
  return {
    title: `${dog}, ${showDay(day, language)}`,
    forOwner: sentences.forOwner,
    headings: {
      saw: sentences.sawTitle,
      did: sentences.didTitle,
      suggest: sentences.suggestTitle,
      home: sentences.homeTitle,
    },
    presses: presses[level] === null ? null : capital(presses[level]),
    foot: sentence(wording, 'foot', { grades: grades.slice(1).join(', ') }),
    sides: { left: sentences.dogsLeft, right: sentences.dogsRight },
  };
}

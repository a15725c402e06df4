import { higherLevel, type Level } from '../findings';
import { showDay } from '../units';
import { notLookedAt } from '../visit';
import { didLines } from './didLines';
import { capital, clearLine, sawLines } from './sawLines';
import type { OwnerSheet, SheetFrame, SheetInput } from './sheet';
import { careLines, homeCareLines, suggestLines } from './suggestLines';
import { plain, together } from './together';
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
  const [suggest, care, did] = [suggestLines(input, saw), careLines(input), didLines(input, missing)];
  const level = saw.reduce<Level>((highest, each) => higherLevel(highest, each.level), 'none');
  return {
    dog: input.dog,
    day: input.day,
    language: input.wording.language,
    frame: frameOf(input, level),
    saw: saw.map(({ at: _, ...each }) => each),
    clear: clearLine(saw, input.wording),
    suggest: suggest.map(plain),
    care,
    did: did.map(plain),
    homeCare: homeCareLines(input.due, input.wording, input.day),
    together: [saw.filter(({ grade }) => grade > 0), suggest, did].flatMap((lines) => together(lines, input.wording)),
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
      care: sentences.careTitle,
      home: sentences.homeTitle,
    },
    presses: presses[level] === null ? null : capital(presses[level]),
    foot: sentence(wording, 'foot', { grades: grades.slice(1).join(', ') }),
    sides: { left: sentences.dogsLeft, right: sentences.dogsRight },
  };
}

import type { DogFacts } from '../careplan';
import type { Side } from '../places';
import type { EarCondition } from '../findings';

/** What is asked at every handover, and how long an answer holds. Common practice, no source. */
export const HANDOVER = {
  'spot-on': { asks: 'A spot-on in the last two days?', holds: 'this visit' },
  stitches: { asks: 'An operation, fresh stitches?', holds: 'until answered otherwise' },
  fits: { asks: 'Fits?', holds: 'until answered otherwise' },
  heart: { asks: 'A heart condition?', holds: 'until answered otherwise' },
  'in season': { asks: 'In season?', holds: 'this visit' },
  'drops, left ear': { asks: 'Ear drops today, left ear?', holds: 'this visit' },
  'drops, right ear': { asks: 'Ear drops today, right ear?', holds: 'this visit' },
  'gel, left ear': { asks: 'Long-acting gel from the vet, left ear?', holds: 'until answered otherwise' },
  'gel, right ear': { asks: 'Long-acting gel from the vet, right ear?', holds: 'until answered otherwise' },
} as const satisfies Record<
  string,
  { readonly asks: string; readonly holds: 'this visit' | 'until answered otherwise' }
>;

export type HandoverQuestion = keyof typeof HANDOVER;
export const HANDOVER_QUESTIONS = Object.keys(HANDOVER) as readonly HandoverQuestion[];
export type HandoverAnswers = Readonly<Partial<Record<HandoverQuestion, boolean>>>;

/** Answers that hold beyond their visit. */
export const lastingAnswers = (answers: HandoverAnswers): HandoverAnswers =>
  Object.fromEntries(
    Object.entries(answers).filter(([question]) => HANDOVER[question as HandoverQuestion].holds !== 'this visit'),
  );

/** The dog as its owner describes it today. Unanswered questions change nothing. */
export function applyAnswers(facts: DogFacts, answers: HandoverAnswers): DogFacts {
  const { fitness } = facts;
  const spotOn = answers['spot-on'];
  return {
    ...facts,
    fitness: {
      spotOn: spotOn === undefined ? fitness.spotOn : spotOn ? facts.today : null,
      stitches: answers.stitches ?? fitness.stitches,
      fits: answers.fits ?? fitness.fits,
      heart: answers.heart ?? fitness.heart,
      inSeason: answers['in season'] ?? fitness.inSeason,
    },
    ears: { left: earToday(facts, answers, 'left'), right: earToday(facts, answers, 'right') },
  };
}

function earToday(facts: DogFacts, answers: HandoverAnswers, side: Side): DogFacts['ears'][Side] {
  const ear = facts.ears[side];
  const said: readonly (readonly [EarCondition, boolean | undefined])[] = [
    ['drops given today', answers[`drops, ${side} ear`]],
    ['long-acting gel in place', answers[`gel, ${side} ear`]],
  ];
  const conditions = said.reduce<readonly EarCondition[]>((known, [condition, answer]) => {
    if (answer === undefined) return known;
    const others = known.filter((each) => each !== condition);
    return answer ? [...others, condition] : others;
  }, ear.conditions);
  return { ...ear, conditions };
}

/** Questions not answered yet at this handover. */
export const unanswered = (answers: HandoverAnswers): HandoverQuestion[] =>
  HANDOVER_QUESTIONS.filter((question) => answers[question] === undefined);

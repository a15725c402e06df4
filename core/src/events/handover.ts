import type { DogFacts } from '../dog';
import type { Side } from '../places';
import type { Condition, EarCondition, EyeCondition } from '../findings';

/** What is asked at every handover, and how long an answer holds. Common practice, no source. */
export const HANDOVER = {
  'spot-on': { asks: 'A spot-on in the last two days, or in the next two?', holds: 'this visit' },
  stitches: { asks: 'An operation, fresh stitches?', holds: 'until answered otherwise' },
  fits: { asks: 'Fits?', holds: 'until answered otherwise' },
  heart: { asks: 'A heart condition?', holds: 'until answered otherwise' },
  'in season': { asks: 'In season?', holds: 'this visit' },
  'new at home': { asks: 'Anything new it gets, or that is used on it at home?', holds: 'this visit' },
  cats: { asks: 'Does it live with a cat?', holds: 'until answered otherwise' },
  'drops, left ear': { asks: 'Ear drops today, left ear?', holds: 'this visit' },
  'drops, right ear': { asks: 'Ear drops today, right ear?', holds: 'this visit' },
  'eye drops, left eye': { asks: 'Eye drops or ointment today, left eye?', holds: 'this visit' },
  'eye drops, right eye': { asks: 'Eye drops or ointment today, right eye?', holds: 'this visit' },
  'eye operation, left eye': { asks: 'An eye operation, left eye?', holds: 'until answered otherwise' },
  'eye operation, right eye': { asks: 'An eye operation, right eye?', holds: 'until answered otherwise' },
  'gel, left ear': { asks: 'Long-acting gel from the vet, left ear?', holds: 'until answered otherwise' },
  'gel, right ear': { asks: 'Long-acting gel from the vet, right ear?', holds: 'until answered otherwise' },
} as const satisfies Record<
  string,
  { readonly asks: string; readonly holds: 'this visit' | 'until answered otherwise' }
>;

export type HandoverQuestion = keyof typeof HANDOVER;
export const HANDOVER_QUESTIONS = Object.keys(HANDOVER) as readonly HandoverQuestion[];
/** What is asked besides where an answer is yes. */
export const ASKED_BESIDES: Readonly<Partial<Record<HandoverQuestion, string>>> = {
  'eye drops, left eye': 'Ask whether to give them again after the bath.',
  'eye drops, right eye': 'Ask whether to give them again after the bath.',
  'eye operation, left eye': 'Ask what its vet allows; no water on the head until the vet agrees.',
  'eye operation, right eye': 'Ask what its vet allows; no water on the head until the vet agrees.',
};

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
      cats: answers.cats ?? fitness.cats,
    },
    ears: { left: earToday(facts, answers, 'left'), right: earToday(facts, answers, 'right') },
    eyes: { left: eyeToday(facts, answers, 'left'), right: eyeToday(facts, answers, 'right') },
  };
}

/** Conditions with what was answered today: a yes adds one, a no takes it away, no answer changes nothing. */
const answered = <C extends Condition>(
  known: readonly C[],
  said: readonly (readonly [condition: C, answer: boolean | undefined])[],
): readonly C[] =>
  said.reduce<readonly C[]>((list, [condition, answer]) => {
    if (answer === undefined) return list;
    const others = list.filter((each) => each !== condition);
    return answer ? [...others, condition] : others;
  }, known);

const eyeToday = (facts: DogFacts, answers: HandoverAnswers, side: Side): readonly EyeCondition[] =>
  answered(facts.eyes[side], [
    ['eye drops or ointment today', answers[`eye drops, ${side} eye`]],
    ['eye operation', answers[`eye operation, ${side} eye`]],
  ]);

function earToday(facts: DogFacts, answers: HandoverAnswers, side: Side): DogFacts['ears'][Side] {
  const ear = facts.ears[side];
  const conditions: readonly EarCondition[] = answered(ear.conditions, [
    ['drops given today', answers[`drops, ${side} ear`]],
    ['long-acting gel in place', answers[`gel, ${side} ear`]],
  ]);
  return { ...ear, conditions };
}

/** One answer for all dogs of a household: asked once, and again only where someone wants to say otherwise. */
export const OF_THE_HOUSEHOLD: readonly HandoverQuestion[] = ['cats'];

/** What is asked at this handover: what is asked once a household is left out when it was answered for any of its dogs. */
export const toAsk = (before: Readonly<Partial<Record<HandoverQuestion, unknown>>>): HandoverQuestion[] =>
  HANDOVER_QUESTIONS.filter((question) => !(OF_THE_HOUSEHOLD.includes(question) && before[question] !== undefined));

/** Questions not answered yet at this handover. */
export const unanswered = (asked: readonly HandoverQuestion[], answers: HandoverAnswers): HandoverQuestion[] =>
  asked.filter((question) => answers[question] === undefined);

import { LRUCache } from 'lru-cache';
import { gettingWorse, oneSided } from './drift';
import { learnRhythm, type RhythmQuestion } from './learnRhythm';

/** Answers kept, of the places asked for last: 14 MB for rhythms of eight looks, measured. */
const MOST_KEPT = 8192;

/** All that an answer depends on. */
const keyOf = ({ observations, plan, today, homeCareChangedOn, schoolChangedOn }: RhythmQuestion): string =>
  `${plan.least}-${plan.usual}-${plan.most} ${today} ${homeCareChangedOn} ${schoolChangedOn}` +
  observations.reduce((all, seen) => `${all}|${seen.day} ${seen.t} ${seen.padGrade} ${seen.lookGrade}`, '');

/**
 * The same function, which answers the same questions from what it answered before: a place whose looks did not change
 * is not learned again on the same day. The answers asked for longest ago go first.
 */
export function remembered<Questions extends readonly RhythmQuestion[], Answer>(
  learn: (...questions: Questions) => Answer,
  most = MOST_KEPT,
): (...questions: Questions) => Answer {
  const answers = new LRUCache<string, { readonly answer: Answer }>({ max: most });
  return (...questions) => {
    const key = questions.map(keyOf).join(' / ');
    const known = answers.get(key);
    if (known) return known.answer;
    const answer = learn(...questions);
    answers.set(key, { answer });
    return answer;
  };
}

/** {@link learnRhythm} with the house values, once for each question. */
export const rhythmOf = remembered((question: RhythmQuestion) => learnRhythm(question));
/** {@link gettingWorse} with the house values, once for each question. */
export const worseProbability = remembered((question: RhythmQuestion) => gettingWorse(question));
/** {@link oneSided} with the house values, once for each pair of questions. */
export const oneSidedProbability = remembered((one: RhythmQuestion, other: RhythmQuestion) => oneSided(one, other));

import { expect, test } from 'vitest';
import { addDays, day } from '../units';
import { learnRhythm, type RhythmQuestion } from './learnRhythm';
import { remembered } from './remembered';

const TODAY = day('2026-11-27');
const seen = { day: addDays(TODAY, -20), t: 28, padGrade: null, lookGrade: 1 } as const;
const question: RhythmQuestion = {
  observations: [seen, { ...seen, day: addDays(TODAY, -1), t: 19 }],
  plan: { least: 7, usual: 28, most: 56 },
  today: TODAY,
  homeCareChangedOn: null,
  schoolChangedOn: null,
};
const changed: readonly RhythmQuestion[] = [
  { ...question, observations: [seen] },
  { ...question, observations: [{ ...seen, t: 27 }, question.observations[1] ?? seen] },
  { ...question, observations: [{ ...seen, padGrade: 0 }, question.observations[1] ?? seen] },
  { ...question, observations: [{ ...seen, lookGrade: 2 }, question.observations[1] ?? seen] },
  { ...question, observations: [{ ...seen, day: addDays(TODAY, -21) }, question.observations[1] ?? seen] },
  { ...question, plan: { ...question.plan, usual: 29 } },
  { ...question, today: addDays(TODAY, 1) },
  { ...question, homeCareChangedOn: TODAY },
  { ...question, schoolChangedOn: TODAY },
];

test('the same question is learned once; whatever changes in it is learned anew, and rightly', () => {
  let learned = 0;
  const ask = remembered((asked: RhythmQuestion) => {
    learned += 1;
    return learnRhythm(asked);
  });
  const first = ask(question);
  expect(ask({ ...question, observations: [...question.observations] })).toBe(first);
  expect(learned).toBe(1);
  for (const other of changed) expect(ask(other)).toEqual(learnRhythm(other));
  expect(learned).toBe(1 + changed.length);
});

test('of too many questions the one asked longest ago is forgotten, not the one asked most often', () => {
  const learned: string[] = [];
  const ask = remembered((asked: RhythmQuestion) => learned.push(asked.today), 2);
  for (const days of [0, 1, 0, 2, 0, 1]) ask({ ...question, today: addDays(TODAY, days) });
  expect(learned.map((on) => on.slice(-2))).toEqual(['27', '28', '29', '28']);
});

import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { TODAY, aDog } from '../careplan/tests/randomDogs';
import { barsAt } from '../stops';
import { HANDOVER_QUESTIONS, applyAnswers, lastingAnswers, toAsk, unanswered, type Happening } from '../events';
import { readVisit } from '.';
import { logged } from './tests/randomVisits';

const facts = aDog({}, 'lagotto');
const reading = (...happenings: Happening[]) =>
  readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged(happenings),
  );
const yes = (question: (typeof HANDOVER_QUESTIONS)[number]): Happening => ({
  type: 'answered',
  question,
  answer: true,
});
const no = (question: (typeof HANDOVER_QUESTIONS)[number]): Happening => ({
  type: 'answered',
  question,
  answer: false,
});

describe('what the owner says at handover', () => {
  test('fresh stitches take the bath away at once; a slip is taken back by the other answer', () => {
    const barred = (...happenings: Happening[]) =>
      reading(...happenings).steps.find((step) => step.id === 'wet')?.barred?.bars[0]?.reason ?? null;
    expect(barred(yes('stitches'))).toEqual({ kind: 'rule', rule: 'bath: stitches' });
    expect(barred(yes('stitches'), no('stitches'))).toBeNull();
    expect(barred()).toBeNull();
  });

  test('drops in the left ear today bar the left ear, and only the left', () => {
    const { steps, bars } = reading(yes('drops, left ear'));
    const at = (id: string) => steps.find((step) => step.id === id);
    expect(at('ears, first pass left')?.barred?.bars[0]?.reason).toMatchObject({ condition: 'drops given today' });
    expect(at('ears, first pass right')?.barred).toBeNull();
    expect(at('plugs')?.sides).toEqual(['right']);
    expect(barsAt(bars, { site: 'ear', side: 'left' })).toHaveLength(1);
    expect(barsAt(bars, { site: 'ear', side: 'right' })).toEqual([]);
  });

  test('a spot-on today warns of washing it off', () => {
    const words = reading(yes('spot-on')).steps.flatMap((step) => step.how.map((said) => said.words));
    expect(words.join(' ')).toMatch(/Spot-on within two days/);
  });

  test('gel stays until it is said to be gone; drops, season and spot-on are for the day', () => {
    const all = Object.fromEntries(HANDOVER_QUESTIONS.map((question) => [question, true]));
    expect(Object.keys(lastingAnswers(all)).toSorted()).toEqual([
      'cats',
      'eye operation, left eye',
      'eye operation, right eye',
      'fits',
      'gel, left ear',
      'gel, right ear',
      'heart',
      'stitches',
    ]);
    const gelled = applyAnswers(facts, { 'gel, left ear': true });
    expect(gelled.ears.left.conditions).toEqual(['long-acting gel in place']);
    expect(applyAnswers(gelled, { 'gel, left ear': false }).ears.left.conditions).toEqual([]);
    expect(applyAnswers(gelled, {}).ears).toEqual(gelled.ears);
  });

  test('cats are asked about once', () => {
    expect(toAsk({})).toEqual(HANDOVER_QUESTIONS);
    expect(toAsk({ cats: { answer: false }, fits: { answer: false } })).toEqual(
      HANDOVER_QUESTIONS.filter((question) => question !== 'cats'),
    );
  });

  test('nothing said, nothing changed; every question is open until it is answered', () => {
    expect(applyAnswers(facts, {})).toEqual(facts);
    expect(unanswered(HANDOVER_QUESTIONS, {})).toEqual(HANDOVER_QUESTIONS);
    expect(unanswered(HANDOVER_QUESTIONS, { fits: false })).not.toContain('fits');
    expect(applyAnswers(facts, { 'spot-on': true }).fitness.spotOn).toBe(TODAY);
  });
});

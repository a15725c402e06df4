import { describe, expect, test } from 'vitest';
import { RULES } from '../rules';
import { makePlan } from '../careplan';
import { type DogFacts } from '../dog';
import { aDog } from '../careplan/tests/randomDogs';
import { finding } from '../findings';
import { METHOD_CARDS, cardFor } from '../methods';
import { placeOf } from '../places';
import { DEFAULT_HOUSE_WAYS, HOUSE_QUESTIONS, type HouseWays } from '../ways';
import { earSoaks, foldVisit, proposals, readVisit } from '.';
import { type Happening } from '../events';
import { type Step } from '../steps';
import { logged, stepsFor } from './tests/randomVisits';

const said = (facts: DogFacts, id: string): string =>
  stepsFor(facts)
    .filter((step) => step.id === id)
    .flatMap(({ how }) => how.map(({ words }) => words))
    .join(' / ');
const ways = (more: Partial<HouseWays>): HouseWays => ({ ...DEFAULT_HOUSE_WAYS, ...more });
const TODAY = aDog().today;

describe('what the bath must know is said before the coat is wet', () => {
  test.each<[string, DogFacts, RegExp]>([
    ['a flat face', aDog({}, 'pug'), /cooler water/],
    ['stiff joints', aDog({ stiffJoints: true }), /Stiff joints/],
    ['a spot-on', aDog({ fitness: { ...aDog().fitness, spotOn: TODAY } }), /Spot-on within two days/],
    ['thin coats', aDog({}, 'whippet'), /warm room, no cool water/],
    ['a pup', aDog({ lifeStage: 'puppy' }), /warm room, no cool water/],
    ['an old dog', aDog({ lifeStage: 'senior' }), /warm room, no cool water/],
  ])('%s: at the wetting, and no more at the first wash', (_, facts, words) => {
    expect(said(facts, 'wet')).toMatch(words);
    expect(said(facts, 'wash 1')).not.toMatch(words);
  });
  test('of an ordinary dog none of it', () => {
    expect(said(aDog(), 'wet')).not.toMatch(/cooler|Stiff|Spot-on|Chills/);
  });
});

describe('young, old and chilly dogs are dried at once', () => {
  const dry = (facts: DogFacts): Step | undefined => stepsFor(facts).find(({ id }) => id === 'dry');
  test.each([
    ['a pup', aDog({ lifeStage: 'puppy' })],
    ['an old dog', aDog({ lifeStage: 'senior' })],
    ['a whippet', aDog({}, 'whippet')],
  ] as const)('%s does not rest in wet towels', (_, facts) => {
    expect(dry(facts)?.dwell).toBeNull();
    expect(said(facts, 'dry')).toMatch(/towelled and dried at once/);
  });
  test('another may', () => expect(dry(aDog())?.dwell?.name).toBe('Towel rest'));
  test('a dog that has towels only is not told of low heat', () => {
    const towels = aDog({ handling: { ...aDog().handling, dryer: 'towels only' } });
    expect(said(towels, 'dry')).toMatch(/still, warm air/);
    expect(said(towels, 'dry')).not.toMatch(/low heat/i);
    expect(said(aDog(), 'dry')).toMatch(/low heat/);
  });
});

test('ticks are spoken of where one was found, and nowhere else', () => {
  for (const step of stepsFor(aDog())) expect(step.how.map(({ words }) => words).join()).not.toMatch(/\bticks?\b/i);
  const found = finding(placeOf('belly/none'), 'tick', 1);
  const facts = aDog();
  const { state, judged } = readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged([{ type: 'found', finding: found }]),
  );
  expect(proposals(state, judged, facts.services).map(({ words }) => words)).toEqual([
    expect.stringMatching(/A tick, belly/),
  ]);
});

test('one sentence on plugs: half or whole at the mouth of the canal, an end to take hold of, never pushed', () => {
  const all = [
    ...stepsFor(aDog({ ways: ways({ earPlugs: 'before all water' }) })).flatMap(({ how }) =>
      how.map(({ words }) => words),
    ),
    ...METHOD_CARDS.flatMap((card) => cardFor(card, DEFAULT_HOUSE_WAYS).steps.map(({ words }) => words)),
    ...RULES.flatMap(({ then }) =>
      typeof then === 'function' ? [] : then.flatMap((each) => ('words' in each ? [each.words] : [])),
    ),
    ...HOUSE_QUESTIONS.earPlugs.schools.flatMap((school) => Object.values(school)),
  ];
  const aboutPutting = all.filter((words) => /\bball of cotton\b|\bcotton ball/i.test(words));
  expect(new Set(aboutPutting)).toEqual(
    new Set(['A whole or half ball of cotton at the mouth of the canal, an end left to take hold of; never pushed.']),
  );
  expect(all.join('\n')).not.toMatch(/deep enough|survive a shake/);
});

describe('the warnings of a school stand on the step', () => {
  const lagotto = (more: Partial<HouseWays>) => aDog({ ways: ways(more) }, 'lagotto');
  test.each<[string, Partial<HouseWays>, string, RegExp]>([
    ['spirit', { alcohol: 'used' }, 'ears, first pass left', /It stings. Never dripping/],
    ['the nozzle inside', { nozzle: 'just inside' }, 'ears, first pass left', /Wiped with disinfectant/],
    ['filling', { earCleaning: 'fill' }, 'ears, first pass left', /just inside the opening, never deep/],
    ['forceps', { pluckWith: 'forceps', earHair: 'routine' }, 'ear hair left', /skin is not hair/],
    ['powder', { pluckWith: 'fingers and powder', earHair: 'routine' }, 'ear hair left', /Wiped out afterwards/],
    ['clipping a crust', { eyeCrust: 'clip the loose piece' }, 'eyes, on the table left', /Scissors point away/],
  ])('%s', (_, more, id, warning) => {
    expect(said(lagotto(more), id)).toMatch(warning);
    expect(said(lagotto({ earHair: 'routine' }), id)).not.toMatch(warning);
  });

  test('and this dog’s own: a pup few drops, an ear that was ill the vet’s cleaner, fine ears no filling', () => {
    expect(said(aDog({ lifeStage: 'puppy' }, 'lagotto'), 'ears, first pass left')).toMatch(
      /Few drops, a taste to lick/,
    );
    expect(said(aDog({ earTrouble: 'in the past, vet knows' }, 'lagotto'), 'ears, first pass left')).toMatch(
      /Ear trouble before: ask the vet/,
    );
  });

  test('age goes before the business’s filling, in words and in amount', () => {
    const pup = aDog({ lifeStage: 'puppy', ways: ways({ earCleaning: 'fill' }) }, 'lagotto');
    expect(said(pup, 'ears, first pass left')).toMatch(/A pup’s ear is not filled/);
    expect(said(pup, 'ears, first pass left')).not.toMatch(/Filled until/);
  });
});

test('a soak that has done its work ends with the clean pad of its ear, and not the other’s', () => {
  const start: Happening[] = [
    { type: 'timer started', timer: 'massage left', step: 'ears, first pass left', seconds: 30 },
    { type: 'timer stopped', timer: 'massage left' },
    { type: 'timer started', timer: 'massage right', step: 'ears, first pass right', seconds: 30 },
    { type: 'timer stopped', timer: 'massage right' },
    { type: 'step done', step: 'ears, first pass left' },
    { type: 'step done', step: 'ears, first pass right' },
  ];
  const running = (...more: Happening[]) =>
    earSoaks(foldVisit(logged([...start, ...more])), stepsFor(aDog())).map(({ side }) => side);
  expect(running()).toEqual(['left', 'right']);
  expect(running({ type: 'pad clean', side: 'left' })).toEqual(['right']);
});

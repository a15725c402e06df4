import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { type DogFacts } from '../dog';
import { type Task } from '../tasks';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES } from '../ways';
import { leftOutWords } from '../wording';
import { aDog, anyDog } from '../careplan/tests/randomDogs';
import { finding, type Finding } from '../findings';
import { mirror, placeKey, type Place } from '../places';
import { kilograms } from '../units';
import {
  cautionsNow,
  contactsCutShort,
  currentStep,
  foldVisit,
  blockers,
  judgeLookOver,
  minutesFactor,
  movedBefore,
  notLookedAt,
  earSoaks,
  elapsedSeconds,
  pastMost,
  placesToLookAt,
  proposals,
  readVisit,
  stagesTook,
  type BeforeVisit,
} from '.';
import { typed, type Happening, type VisitEvent } from '../events';
import { type Step } from '../steps';
import { anyFinding, logged, stepsFor } from './tests/randomVisits';

const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const LEFT_SIDE: Place = { site: 'side', side: 'left' };
const before = (facts: DogFacts, more: Partial<BeforeVisit> = {}): BeforeVisit => ({
  kind: 'full visit',
  facts,
  plan: makePlan(facts),
  contactMinutes: 0,
  lastFindings: [],
  ...more,
});
const read = (happened: readonly Happening[], more: Partial<BeforeVisit> = {}, facts = aDog()) =>
  readVisit(before(facts, more), logged(happened));
const found = (each: Finding): Happening => ({ type: 'found', finding: each });
const ids = (steps: readonly Step[]) => steps.map(({ id }) => id);
const at = (steps: readonly Step[], id: string) => steps.find((step) => step.id === id);
const CLOCK = { device: 'tablet', at: 1_600_000, offset: 0 };

/** Which step, by the start of its id, does a task at the table. */
const DONE_BY: Readonly<Partial<Record<Task, string>>> = {
  bath: 'wash 1',
  'second wash': 'wash 2',
  'face wash': 'face',
  drying: 'dry',
  'ear cleaning': 'ears, first pass',
  'ear flaps': 'first clip',
  'eyes and face': 'eyes, on the table',
  'eye corners': 'first clip',
  'fold care': 'folds',
  nails: 'nails',
  'brush-out': 'brush-out',
  pads: 'first clip',
  rear: 'first clip',
};

describe('the step list over random plans', () => {
  test('every task of the plan has its step or its reason, what must come first does, and nothing barred is open', () => {
    fc.assert(
      fc.property(
        anyDog,
        fc.array(anyFinding, { maxLength: 3 }),
        fc.constantFrom(0, 10),
        (facts, findings, contactMinutes) => {
          const plan = makePlan(facts);
          const { steps } = readVisit(before(facts, { plan, contactMinutes }), logged(findings.map(found)));
          const order = new Map(steps.map(({ id }, i) => [id, i]));
          expect(order.size).toBe(steps.length);
          for (const step of steps)
            for (const before of step.after) expect(order.get(before.step)).toBeLessThan(order.get(step.id) ?? -1);
          for (const { task, place } of plan.lines) {
            const wanted = DONE_BY[task];
            // A business that washes once says so in the line itself, and rinses the better.
            if (wanted === undefined || (task === 'second wash' && facts.ways.washes === 'one')) continue;
            // A neck-down bath has no face; crust may wait for the tub; a coat with nothing to clip has no first clip.
            if (task === 'face wash' && facts.ways.head === 'neck down only') continue;
            if (task === 'eyes and face' && facts.ways.eyeCrust === 'in the tub' && order.has('face')) continue;
            if (wanted === 'first clip' && plan.lines.every((line) => line.task !== task || line.interval === null))
              continue;
            const doing = steps.filter(({ id }) => id.startsWith(wanted));
            const here =
              place === null || wanted === 'first clip' ? doing : doing.filter((step) => sameAs(step, place));
            expect(here.length, `${task} ${place ? placeKey(place) : ''}`).toBeGreaterThan(0);
          }
          for (const kept of ['rinse 1', 'last rinse', 'plugs out', 'dry'])
            if (order.has(kept) && at(steps, 'wash 1')?.barred === null) expect(at(steps, kept)?.barred).toBeNull();
          const mats = findings.filter(({ sign }) => sign === 'mat');
          for (const { place } of mats)
            expect(at(steps, 'wet')?.after.map((before) => before.step)).toContain(`mat ${placeKey(place)}`);
        },
      ),
      { numRuns: process.env['DEWPOND_DEEP'] ? 50_000 : 400 },
    );
  });
});

const sameAs = (step: Step, place: Place) => step.place !== null && placeKey(step.place) === placeKey(place);

describe('waiting time is used', () => {
  const timed = { contactMinutes: 10 };
  const ways = { ...DEFAULT_HOUSE_WAYS, medicated: 'both washes timed' } as const;
  const upTo = (stage: string, facts: DogFacts): Happening[] =>
    readVisit(before(facts, timed), [])
      .steps.slice(0, ids(readVisit(before(facts, timed), []).steps).indexOf(stage))
      .map(({ id }) => ({ type: 'step done', step: id }));

  test('while the medicated wash stands the face is next; then the contact is', () => {
    const facts = aDog({ ways });
    const started: Happening = { type: 'timer started', timer: 'contact 1', step: 'contact', seconds: 600 };
    const idle = read(upTo('contact', facts), timed, facts);
    expect(currentStep(idle.state, idle.steps)?.id).toBe('contact');
    const running = read([...upTo('contact', facts), started], timed, facts);
    expect(currentStep(running.state, running.steps)?.id).toBe('face');
    const faced = read([...upTo('contact', facts), started, { type: 'step done', step: 'face' }], timed, facts);
    expect(currentStep(faced.state, faced.steps)?.id).toBe('contact');
  });

  test('the massage keeps the hands: nothing comes in between, and while the cleaner works on the nails are next', () => {
    const facts = aDog();
    const before = upTo('ears, first pass left', facts);
    const massage: Happening = {
      type: 'timer started',
      timer: 'massage left',
      step: 'ears, first pass left',
      seconds: 30,
    };
    const rubbing = read([...before, massage], timed, facts);
    expect(currentStep(rubbing.state, rubbing.steps)?.id).toBe('ears, first pass left');
    const order = ids(stepsFor(facts));
    expect(order.indexOf('nails')).toBeGreaterThan(order.indexOf('ears, first pass right'));
    expect(order.indexOf('nails')).toBeLessThan(order.indexOf('ears, second pass left'));
  });

  test('rinsing early is a caution with its minutes, can be overridden by name, and is on record either way', () => {
    const facts = aDog({ ways });
    const start: Happening[] = [
      ...upTo('contact', facts),
      { type: 'timer started', timer: 'contact 1', step: 'contact', seconds: 600 },
    ];
    const { state, steps } = read(start, timed, facts);
    const step = at(steps, 'contact');
    if (!step) throw new Error('no contact step');
    const began = state.timers[0]?.started.at ?? 0;
    const early = { ...CLOCK, at: began + 200_000 };
    expect(cautionsNow(state, step, early)).toMatchObject([
      { id: 'contact time', words: 'It stood 3:20 of 10:00 min. Contact time is not reached.' },
    ]);
    expect(cautionsNow(state, step, { ...CLOCK, at: began + 600_000 })).toEqual([]);
    const overridden: Happening = {
      type: 'caution overridden',
      caution: 'contact time',
      step: 'contact',
      because: typed('scratching'),
      who: 'Ines',
    };
    const after = read([...start, overridden, { type: 'step done', step: 'contact' }], timed, facts);
    expect(cautionsNow(after.state, step, early)).toEqual([]);
    expect(after.state.overridden).toMatchObject([{ because: { words: 'scratching' }, who: 'Ines' }]);
    expect(contactsCutShort(after.state.timers)).toHaveLength(1);
  });

  test('a rinse stops the clock nobody stopped', () => {
    const events = logged([
      { type: 'timer started', timer: 'contact 1', step: 'contact', seconds: 600 },
      { type: 'step done', step: 'rinse 1' },
    ]);
    expect(foldVisit(events).timers[0]?.stopped?.id).toBe(events[1]?.id);
  });

  test('past the most time is known, where the label has one', () => {
    const [timer] = foldVisit(
      logged([{ type: 'timer started', timer: 'contact 1', step: 'contact', seconds: 300, most: 600 }]),
    ).timers;
    if (!timer) throw new Error('no timer');
    const clock = (s: number) => ({ ...CLOCK, at: timer.started.at + s * 1000 });
    expect([pastMost(timer, clock(599)), pastMost(timer, clock(601))]).toEqual([false, true]);
    expect(pastMost({ ...timer, most: null }, clock(9999))).toBeNull();
  });
});

test('cleaner works from the first pass of an ear to its second, each side apart', () => {
  const events = logged([
    { type: 'step done', step: 'ears, first pass left' },
    { type: 'step skipped', step: 'ears, first pass right', because: typed('fights it') },
  ]);
  const [soak, ...more] = earSoaks(foldVisit(events), stepsFor(aDog()));
  expect([soak?.side, more.length]).toEqual(['left', 0]);
  const at = (events[0]?.at ?? 0) + 1_500_000;
  expect(soak && elapsedSeconds(soak.clock, { ...CLOCK, at })).toBe(1500);
  const wiped = logged([
    { type: 'step done', step: 'ears, first pass left' },
    { type: 'step done', step: 'ears, second pass left' },
  ]);
  expect(earSoaks(foldVisit(wiped), stepsFor(aDog()))).toEqual([]);
});

describe('the whole dog is looked over', () => {
  const places = placesToLookAt(aDog());

  test('mouth, skin, paws and under the tail are places, and gait and breathing are looked at, too', () => {
    const keys = places.map(placeKey);
    for (const key of ['mouth/none', 'side/right', 'paw hind/left', 'rear/none', 'body/none'])
      expect(keys).toContain(key);
    expect(keys.some((key) => key.startsWith('nail'))).toBe(false);
  });

  test('a finding at a nail says that its paw was looked at; the other paw was not', () => {
    const { state } = read([found(finding({ site: 'nail front 1', side: 'left' }, 'dewclaw curled', 1))]);
    const missing = notLookedAt(state, places).map(placeKey);
    expect(missing).not.toContain('paw front/left');
    expect(missing).toContain('paw front/right');
  });

  test('a wet sore is left out by wash, brush, clipper and comb, on its own side', () => {
    const { steps } = read([found(finding(LEFT_SIDE, 'wet sore', 1))]);
    for (const id of ['wet', 'wash 1', 'wash 2', 'brush-out', 'comb and tidy', 'last rinse', 'dry']) {
      const words = at(steps, id)?.leavesOut.map(leftOutWords) ?? [];
      expect([id, words]).toEqual([id, ['left side (wet sore)']]);
    }
    expect(at(steps, 'dry')?.barred).toBeNull();
  });

  test('a mirrored look-over gives mirrored levels', () => {
    fc.assert(
      fc.property(anyDog, fc.array(anyFinding, { maxLength: 5 }), (facts, findings) => {
        const flat = { ...facts, ears: { left: facts.ears.left, right: facts.ears.left }, lifts: [] };
        const seen = judgeLookOver(flat, findings, []);
        const flipped = judgeLookOver(
          flat,
          findings.map((each) => ({ ...each, place: mirror(each.place) })),
          [],
        );
        for (const place of placesToLookAt(flat))
          expect(flipped[placeKey(mirror(place))]?.level).toBe(seen[placeKey(place)]?.level);
      }),
      { numRuns: 200 },
    );
  });
});

describe('a stop', () => {
  test('says why, what to do instead, and what to tell the owner', () => {
    const { steps } = read([found(finding(LEFT_EAR, 'ear musty smell', 2))]);
    expect(at(steps, 'ears, first pass left')?.barred).toMatchObject({
      bars: [{ stop: 'S1', reason: { kind: 'signs', seen: [{ sign: 'ear musty smell', grade: 2 }] } }],
      instead: { words: 'Outer flap by damp pad only.' },
    });
  });
});

describe('a sign that ends the visit', () => {
  const collapse = found(finding({ site: 'body', side: 'none' }, 'collapse', 1));
  const open = (happened: readonly Happening[]) => {
    const { steps, state } = read(happened);
    return ids(steps.filter((step) => step.barred === null && state.steps[step.id] === undefined));
  };

  test('leaves a dry dog nothing but the record; a wet one is rinsed and dried, a plug comes out', () => {
    expect(open([collapse])).toEqual(['record', 'clean-down']);
    const wet = open([{ type: 'step done', step: 'wet' }, { type: 'plug in', side: 'left' }, collapse]);
    expect(wet).toEqual(['rinse 1', 'last rinse', 'plugs out', 'water off', 'dry', 'record', 'clean-down']);
    expect(open([{ type: 'step done', step: 'wet' }, collapse])).not.toContain('plugs out');
  });
});

describe('a change of plan', () => {
  const mat = finding(LEFT_SIDE, 'mat', 2, true);

  test('a mat to the skin asks for the owner’s word, once, and then for what lies beneath', () => {
    const asked = read([found(mat)]);
    const [proposal] = proposals(asked.state, asked.judged, DEFAULT_SERVICES);
    expect(proposal).toMatchObject({ id: 'mat side/left' });
    expect(proposal?.ask).toMatch(/left side/);
    const ask = proposal?.ask ?? '';
    const rang = (answer: 'yes' | 'not reached'): Happening => ({
      type: 'owner asked',
      about: 'mat side/left',
      question: ask,
      answer,
      words: '',
      who: 'Noor',
    });
    expect(proposals(read([found(mat), rang('not reached')]).state, asked.judged, DEFAULT_SERVICES)).toHaveLength(1);
    const agreed = read([found(mat), rang('yes')]);
    expect(proposals(agreed.state, agreed.judged, DEFAULT_SERVICES)).toEqual([]);
    expect(agreed.state.asked[0]).toMatchObject({ who: 'Noor', answer: 'yes' });
  });

  test('no water before the mat is settled', () => {
    const { steps } = read([found(mat)]);
    expect(at(steps, 'wet')?.after.map((before) => before.step)).toContain('mat side/left');
  });

  test('what may pass to other dogs makes the clean-down longer and the dog the last', () => {
    const flea = read([found(finding(LEFT_SIDE, 'fleas', 1))]);
    const calm = read([]);
    const minutes = (steps: readonly Step[]) => at(steps, 'clean-down')?.minutes ?? 0;
    expect(minutes(flea.steps)).toBeGreaterThan(minutes(calm.steps));
    expect(proposals(flea.state, flea.judged, DEFAULT_SERVICES)[0]?.words).toMatch(/last of the day/);
  });

  test('a step is added and moved; a move against the order of the work is not made', () => {
    const added = read([
      { type: 'step added', step: 'added 1', title: 'Bow', before: 'record' },
      { type: 'step moved', step: 'nails', before: 'brush-out' },
      { type: 'step moved', step: 'wash 2', before: 'wash 1' },
    ]);
    const order = ids(added.steps);
    expect(order.indexOf('added 1')).toBe(order.indexOf('record') - 1);
    expect(order.indexOf('wash 2')).toBeGreaterThan(order.indexOf('rinse 1'));
    expect(blockers(added.state, added.steps, 'finished').map(({ words }) => words)).toContain('Bow: not done yet.');
    expect(movedBefore(stepsFor(aDog()), 'dry', 'wet')).toBeNull();
    expect(movedBefore(stepsFor(aDog()), 'nails', 'ears, first pass left')).not.toBeNull();
  });
});

test('drying is checked place by place before the dog counts as dry', () => {
  const { state, steps } = read([
    { type: 'checked', step: 'dry', part: 'face' },
    { type: 'checked', step: 'dry', part: 'face' },
  ]);
  const dry = at(steps, 'dry');
  if (!dry) throw new Error('no drying');
  expect(dry.parts).not.toContain('folds');
  expect(at(stepsFor(aDog({}, 'pug')), 'dry')?.parts).toContain('folds');
  expect(state.checked['dry']).toEqual(['face']);
  expect(cautionsNow(state, dry, CLOCK)[0]?.words).toBe('Not felt dry yet: ears, armpits, belly, paws, rear.');
});

describe('minutes are learned per dog', () => {
  /** Steps marked done so many minutes after the one before. */
  const marks = (list: readonly (readonly [string, number])[]): VisitEvent[] => {
    let at = 0;
    return logged([{ type: 'opened' }, ...list.map(([step]): Happening => ({ type: 'step done', step }))]).map(
      (event, i) => ({ ...event, at: (at += i === 0 ? 0 : (list[i - 1]?.[1] ?? 0) * 60_000) }),
    );
  };

  test('a step took from the mark before it to its own; a long pause and a late tick teach nothing', () => {
    const events = marks([
      ['nails', 9],
      ['brush-out', 240],
      ['wet', 0.1],
    ]);
    const steps = stepsFor(aDog());
    expect(stagesTook(events, foldVisit(events), steps)).toEqual([
      { stage: 'nails', minutes: 9, predicted: at(steps, 'nails')?.minutes },
    ]);
  });

  test('a big dog’s minutes are reckoned by its size before anything is learned: size is not learned twice', () => {
    const big = { ...aDog(), weight: kilograms(60) };
    const dry = at(stepsFor(big), 'dry')?.minutes ?? 0;
    expect(dry).toBeGreaterThan(at(stepsFor(aDog()), 'dry')?.minutes ?? 0);
    const events = marks([
      ['water off', 5],
      ['dry', dry],
    ]);
    const took = stagesTook(events, foldVisit(events), stepsFor(big)).filter(({ stage }) => stage === 'dry');
    expect(minutesFactor(took)).toBeCloseTo(1, 3);
  });

  test('the record pulls a dog’s minutes away from the business’s, slowly, and moves its steps', () => {
    // Worked by hand: three visits of twice the minutes: exp(3 ln 2 / 6) = √2.
    const twice = { minutes: 12, predicted: 6 };
    expect(minutesFactor([])).toBe(1);
    expect(minutesFactor([twice, twice, twice])).toBeCloseTo(Math.SQRT2, 10);
    const slow = read([], { minutesFactor: { nails: 1.5 } });
    expect(at(slow.steps, 'nails')?.minutes).toBe((at(stepsFor(aDog()), 'nails')?.minutes ?? 0) * 1.5);
  });
});

test('an incident, tools, a dog sent home and fetched again are all on record', () => {
  const happened: Happening[] = [
    {
      type: 'incident',
      incident: { kind: 'nick', place: { site: 'paw front', side: 'left' }, done: 'Pressed.', told: '', words: '' },
    },
    { type: 'tool used', part: 'body', tool: '7F blade' },
    { type: 'tool used', part: 'body', tool: '5F blade' },
    { type: 'went home', because: typed('too tired'), back: null },
  ];
  const { state } = read(happened);
  expect(state.incidents).toMatchObject([{ kind: 'nick', told: '' }]);
  expect(state.tools).toEqual({ body: '5F blade' });
  expect(state.away).toEqual({ because: typed('too tired'), back: null });
  expect(read([...happened, { type: 'came back' }]).state.away).toBeNull();
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { barsOf } from '../careplan';
import { type DogFacts } from '../dog';
import { barsAt, endings } from '../stops';
import { DEFAULT_HOUSE_WAYS } from '../ways';
import { TODAY, aDog, anyDog } from '../careplan/tests/randomDogs';
import { finding, type Finding } from '../findings';
import { otherSide, placeKey, type Place } from '../places';
import {
  currentStep,
  elapsedSeconds,
  foldVisit,
  blockers,
  judgeLookOver,
  notLookedAt,
  placesToLookAt,
  ranFull,
  waitsFor,
} from '.';
import { mergeEvents, type Happening } from '../events';
import { type Step } from '../steps';
import { anyFinding, anyLog, logged, mirrorHappening, stepsFor } from './tests/randomVisits';

const RUNS = { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 300 };
const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const ids = (steps: readonly Step[]) => steps.map((step) => step.id);
const at = (steps: readonly Step[], id: string) => steps.find((step) => step.id === id);
const judge = (facts: DogFacts, findings: Finding[]) => judgeLookOver(facts, findings, []);
const stepsAfter = (facts: DogFacts, findings: Finding[], contactMinutes = 0) =>
  stepsFor(facts, { findings, contactMinutes });
const barsFor = (facts: DogFacts, findings: Finding[]) =>
  barsOf(facts, {
    judged: Object.values(judge(facts, findings)),
    lookedClear: [],
    matsGone: [],
    brokeOffPlucking: false,
  });

describe('the reducer', () => {
  test('any order and any duplication of events gives the same state', () => {
    fc.assert(
      fc.property(anyLog, fc.infiniteStream(fc.nat()), (log, noise) => {
        const keyed = [...log, ...log.filter((_, i) => i % 3 === 0)].map((event) => ({
          event,
          key: noise.next().value ?? 0,
        }));
        const shuffled = keyed.toSorted((a, b) => a.key - b.key).map(({ event }) => event);
        expect(foldVisit(shuffled)).toEqual(foldVisit(log));
      }),
      RUNS,
    );
  });

  test('merging devices is union, whichever way round', () => {
    fc.assert(
      fc.property(anyLog, anyLog, (a, b) => {
        const b2 = b.map((event) => ({ ...event, id: `b${event.id}` }));
        expect(mergeEvents(a, b2)).toEqual(mergeEvents(b2, a, a));
      }),
      RUNS,
    );
  });

  test('a mirrored log gives the mirrored state', () => {
    const flip = (text: string) => text.replaceAll(/left|right/g, (side) => otherSide(side as 'left'));
    fc.assert(
      fc.property(anyLog, (log) => {
        const seen = foldVisit(log);
        const mirrored = foldVisit(log.map((event) => ({ ...event, what: mirrorHappening(event.what) })));
        expect(mirrored.plugs).toEqual({ left: seen.plugs.right, right: seen.plugs.left });
        expect(mirrored.pads).toEqual({ left: seen.pads.right, right: seen.pads.left });
        expect(mirrored.lookedClear).toEqual(seen.lookedClear.map(flip));
        expect(mirrored.findings.map((f) => [placeKey(f.place), f.sign, f.grade])).toEqual(
          seen.findings.map((f) => [flip(placeKey(f.place)), f.sign, f.grade]),
        );
        expect(Object.keys(mirrored.steps)).toEqual(Object.keys(seen.steps).map(flip));
      }),
      RUNS,
    );
  });

  const story = (...happenings: Happening[]) => foldVisit(logged(happenings));

  test('a place is clear or has findings, never both', () => {
    const wax = finding(LEFT_EAR, 'ear dark wax', 2);
    expect(story({ type: 'looked clear', place: LEFT_EAR }, { type: 'found', finding: wax })).toMatchObject({
      lookedClear: [],
      findings: [wax],
    });
    expect(story({ type: 'found', finding: wax }, { type: 'looked clear', place: LEFT_EAR })).toMatchObject({
      lookedClear: ['ear/left'],
      findings: [],
    });
    expect(
      story({ type: 'found', finding: wax }, { type: 'found', finding: { ...wax, grade: 3 } }).findings,
    ).toHaveLength(1);
    expect(
      story({ type: 'found', finding: wax }, { type: 'taken back', place: LEFT_EAR, sign: 'ear dark wax' }).findings,
    ).toEqual([]);
  });

  test('pads: counted per ear, worst colour kept; a yellow one is a finding of that ear', () => {
    const state = story(
      { type: 'pad dirty', side: 'left', colour: 'yellow' },
      { type: 'pad dirty', side: 'left', colour: 'brown' },
      { type: 'pad clean', side: 'left' },
    );
    expect(state.pads).toEqual({
      left: { dirty: 2, worst: 'yellow', clean: true, rounds: 1, inRound: 2 },
      right: { dirty: 0, worst: null, clean: false, rounds: 1, inRound: 0 },
    });
    expect(state.findings).toEqual([finding(LEFT_EAR, 'ear yellow wax', 1)]);
  });

  test('work after the close is taken in and shown as such', () => {
    const log = logged([
      { type: 'opened' },
      { type: 'closed', how: 'finished' },
      { type: 'noted', text: 'from the phone' },
    ]);
    expect(foldVisit(log)).toMatchObject({ closed: 'finished', notes: ['from the phone'], cameInLater: [log[2]?.id] });
  });
});

describe('the step list', () => {
  test('the order of the trade, for a business of default ways', () => {
    expect(ids(stepsFor(aDog()))).toEqual([
      'prepare',
      'handover',
      'look-over',
      'decide',
      'ears, first pass left',
      'ears, first pass right',
      'eyes, on the table left',
      'eyes, on the table right',
      'nails',
      'brush-out',
      'wet',
      'plugs',
      'wash 1',
      'face',
      'rinse 1',
      'wash 2',
      'last rinse',
      'plugs out',
      'water off',
      'dry',
      'ears, second pass left',
      'ears, second pass right',
      'comb and tidy',
      'record',
      'clean-down',
    ]);
  });

  test('house alternatives move steps', () => {
    const ways = {
      ...DEFAULT_HOUSE_WAYS,
      nails: 'after the bath',
      firstClip: 'after drying',
      earPlugs: 'before all water',
      washes: 'one',
      conditioner: 'always',
    } as const;
    const order = ids(stepsFor(aDog({ ways }, 'lagotto')));
    const before = (a: string, b: string) => expect(order.indexOf(a)).toBeLessThan(order.indexOf(b));
    before('dry', 'nails');
    before('dry', 'first clip');
    before('plugs', 'wet');
    before('last rinse', 'conditioner');
    expect(order).not.toContain('wash 2');
    expect(ids(stepsFor(aDog({ ways: { ...ways, earPlugs: 'hand shield' } })))).not.toContain('plugs');
  });

  test('a medicated wash is timed as the business does it', () => {
    const timed = (ways: Partial<DogFacts['ways']>) =>
      ids(stepsFor(aDog({ ways: { ...DEFAULT_HOUSE_WAYS, ...ways } }), { contactMinutes: 10 })).filter((id) =>
        id.startsWith('contact'),
      );
    expect(timed({})).toEqual(['contact', 'contact 2']);
    expect(timed({ medicated: 'plain wash first' })).toEqual(['contact 2']);
    expect(timed({ washes: 'one', medicated: 'plain wash first' })).toEqual(['contact']);
    expect(at(stepsFor(aDog(), { contactMinutes: 10 }), 'contact')?.dwell?.seconds).toBe(600);
  });

  test('who says how long: the label, or the vet whose wash it is; the business for the massage', () => {
    const byVet: DogFacts['instructions'] = [
      {
        id: 'i',
        by: 'vet',
        who: 'Dr Oyelaran',
        place: null,
        says: { kind: 'bath product', productId: 'p', contactMinutes: 10, nothingElse: true },
        from: TODAY,
        until: null,
      },
    ];
    const sourceOf = (facts: DogFacts, id: string) => at(stepsFor(facts, { contactMinutes: 10 }), id)?.dwell?.source;
    expect(sourceOf(aDog(), 'contact')).toEqual({ kind: 'product label' });
    expect(sourceOf(aDog({ instructions: byVet }), 'contact')).toEqual({ kind: 'vet instruction', who: 'Dr Oyelaran' });
    expect(sourceOf(aDog(), 'ears, first pass left')).toEqual({ kind: 'house value' });
  });

  test('hair comes out on the word of whoever decided it: the vet by name', () => {
    const instructions: DogFacts['instructions'] = [
      {
        id: 'i',
        by: 'vet',
        who: 'Dr Oyelaran',
        place: null,
        says: { kind: 'ear hair', way: 'whole' },
        from: TODAY,
        until: null,
      },
    ];
    const why = at(stepsFor(aDog({ instructions }, 'lagotto')), 'ear hair left')?.why;
    expect(why).toMatchObject({
      reason: { kind: 'instruction', who: 'Dr Oyelaran', says: { way: 'whole' } },
      source: { kind: 'vet instruction', who: 'Dr Oyelaran' },
    });
  });

  test('treated skin gets no conditioner', () => {
    const ways = { ...DEFAULT_HOUSE_WAYS, conditioner: 'always' } as const;
    expect(ids(stepsFor(aDog({ ways })))).toContain('conditioner');
    const step = at(stepsFor(aDog({ ways, skin: 'under treatment' })), 'conditioner');
    expect(step?.barred?.bars[0]?.reason).toEqual({ kind: 'rule', rule: 'conditioner: treated skin' });
  });

  test('a musty ear is barred, gets no plug, and the head is done by damp cloth on that side; the other ear goes on', () => {
    const steps = stepsAfter(aDog(), [finding(LEFT_EAR, 'ear musty smell', 1)]);
    expect(at(steps, 'ears, first pass left')?.barred?.bars).toMatchObject([
      {
        stop: 'S1',
        reason: { kind: 'signs', seen: [{ sign: 'ear musty smell' }] },
        source: { kind: 'common practice' },
      },
    ]);
    expect(at(steps, 'ears, first pass right')?.barred).toBeNull();
    expect(at(steps, 'plugs')?.sides).toEqual(['right']);
    expect(at(steps, 'wash 1')?.leavesOut.map(({ places, instead }) => [places.map(placeKey), instead.words])).toEqual([
      [['head/none', 'mouth/none'], 'By damp cloth, no water above the neck on this side.'],
      [['ear/left'], 'Outer flap by damp pad only.'],
    ]);
  });

  test('a sign that ends the visit leaves only what must not be forgotten', () => {
    const steps = stepsAfter(aDog(), [finding({ site: 'ear', side: 'none' }, 'head tilt', 1)]);
    const open = steps.filter((step) => step.barred === null);
    expect(ids(open)).toEqual(
      ['rinse 1', 'last rinse', 'plugs out', 'water off', 'dry', 'record', 'clean-down'].filter((id) =>
        ids(steps).includes(id),
      ),
    );
    expect(at(steps, 'dry')?.how[0]?.words).toContain('Before handing over');
  });

  test('two signs that end the visit on two sides are both told, and neither side comes first', () => {
    const signs = (a: 'left' | 'right', b: 'left' | 'right') =>
      endings(
        barsFor(aDog(), [
          finding({ site: 'ear', side: a }, 'after cleaning, crying', 1),
          finding({ site: 'ear', side: b }, 'head tilt', 1),
        ]),
      )
        .flatMap(({ reason }) => (reason.kind === 'signs' ? reason.seen.map(({ sign }) => sign) : []))
        .toSorted();
    expect(signs('left', 'right')).toEqual(['after cleaning, crying', 'head tilt']);
    expect(signs('right', 'left')).toEqual(signs('left', 'right'));
  });

  test('a damp ear is not plucked', () => {
    const hairy = aDog({ ways: { ...DEFAULT_HOUSE_WAYS, earHair: 'routine' } }, 'lagotto');
    expect(at(stepsAfter(hairy, []), 'ear hair left')?.barred).toBeNull();
    const damp = at(stepsAfter(hairy, [finding(LEFT_EAR, 'ear damp', 1)]), 'ear hair left')?.barred;
    expect(damp?.bars[0]?.reason).toMatchObject({ seen: [{ sign: 'ear damp' }] });
    expect(damp?.instead?.words).toBe('Dry it. No plucking while damp.');
  });

  test('for random dogs and findings: prerequisites come first, plugs out and drying stay, stops hold, tasks are all there', () => {
    fc.assert(
      fc.property(
        anyDog,
        fc.array(anyFinding, { maxLength: 3 }),
        fc.constantFrom(0, 10),
        (facts, findings, contact) => {
          const steps = stepsAfter(facts, findings, contact);
          const order = ids(steps);
          expect(new Set(order).size).toBe(order.length);
          for (const step of steps)
            for (const { step: first } of step.after) expect(order.indexOf(first)).toBeLessThan(order.indexOf(step.id));
          const before = (a: string, b: string) =>
            order.includes(a) && order.includes(b) && expect(order.indexOf(a)).toBeLessThan(order.indexOf(b));
          before('wash 1', 'rinse 1');
          before('rinse 1', 'wash 2');
          before('plugs', 'wash 1');
          before('look-over', 'wet');
          expect(order.includes('plugs')).toBe(order.includes('plugs out'));
          expect(at(steps, 'plugs')?.sides).toEqual(at(steps, 'plugs out')?.sides);
          for (const side of ['left', 'right'] as const) {
            const stopped = barsAt(barsFor(facts, findings), { site: 'ear', side }).some(
              ({ stop, lifted }) => stop !== 'S0' && lifted === null,
            );
            expect(at(steps, `ears, first pass ${side}`)).toBeDefined();
            if (stopped) expect(at(steps, 'plugs')?.sides ?? []).not.toContain(side);
          }
        },
      ),
      RUNS,
    );
  });
});

describe('closing', () => {
  const steps = stepsFor(aDog());
  const done = (id: string): Happening => ({ type: 'step done', step: id });
  const allDone = ids(steps).map(done);
  const close = (happenings: Happening[], how: 'finished' | 'ended early' = 'finished') =>
    blockers(foldVisit(logged(happenings)), steps, how).map((each) => each.kind);

  test('plugs in = plugs out, per ear, or it cannot close; not found is an outcome', () => {
    const inLeft: Happening = { type: 'plug in', side: 'left' };
    expect(close([...allDone, inLeft])).toEqual(['plug in']);
    expect(close([...allDone, inLeft, { type: 'plug out', side: 'right', came: 'dry' }])).toEqual(['plug in']);
    expect(close([...allDone, inLeft, { type: 'plug out', side: 'left', came: 'damp' }])).toEqual([]);
    expect(close([...allDone, inLeft, { type: 'plug not found', side: 'left' }])).toEqual([]);
    expect(close([inLeft], 'ended early')).toContain('plug in');
  });

  test('to finish, every step is settled; to end early, what no stop takes away', () => {
    expect(close(allDone.slice(0, -3)).length).toBeGreaterThan(0);
    expect(close([], 'ended early')).toEqual([]);
    const words = blockers(foldVisit(logged([done('wet'), done('wash 1')])), steps, 'ended early').map(
      (each) => each.words,
    );
    expect(words.join(' ')).toMatch(/Rinse.*Dry/);
  });

  test('what was not looked at is said; nothing is clear by silence', () => {
    const places = placesToLookAt(aDog({}, 'pug'));
    expect(notLookedAt(foldVisit([]), places)).toEqual(places);
    const seen = foldVisit(logged([{ type: 'looked clear', place: LEFT_EAR }]));
    expect(notLookedAt(seen, places)).toHaveLength(places.length - 1);
  });

  test('the current step is the first open one, and says what it waits for', () => {
    const state = foldVisit(logged([done('prepare'), done('handover')]));
    expect(currentStep(state, steps)?.id).toBe('look-over');
    const wash = at(steps, 'wash 1');
    expect(wash && waitsFor(state, steps, wash).map((step) => step.id)).toEqual([
      'eyes, on the table left',
      'eyes, on the table right',
      'wet',
      'plugs',
    ]);
  });
});

describe('timers are events with times', () => {
  const [started, stopped] = logged([
    { type: 'timer started', timer: 'contact 1', step: 'contact', seconds: 600 },
    { type: 'timer stopped', timer: 'contact 1' },
  ]);
  if (!started || !stopped) throw new Error('two events');
  const timer = (offset: number | null) => ({
    timer: 'contact 1',
    step: 'contact',
    seconds: 600,
    most: null,
    started: { ...started, offset },
    stopped: null,
  });

  test('on one device its own clock is enough, however wrong it is', () => {
    expect(elapsedSeconds(timer(null), { device: 'tablet', at: started.at + 90_500, offset: null })).toBe(90);
  });

  test('across devices the corrected time is used, or it is unknown', () => {
    expect(elapsedSeconds(timer(5000), { device: 'phone', at: started.at, offset: 65_000 })).toBe(60);
    expect(elapsedSeconds(timer(null), { device: 'phone', at: started.at, offset: 0 })).toBeNull();
    expect(elapsedSeconds(timer(0), { device: 'phone', at: started.at, offset: null })).toBeNull();
    expect(elapsedSeconds(timer(0), { device: 'tablet', at: started.at - 1, offset: 0 })).toBeNull();
  });

  test('contact time not reached is known', () => {
    expect(ranFull({ ...timer(0), stopped: { ...stopped, at: started.at + 300_000 } })).toBe(false);
    expect(ranFull({ ...timer(0), stopped: { ...stopped, at: started.at + 600_000 } })).toBe(true);
    expect(ranFull(timer(0))).toBeNull();
  });
});

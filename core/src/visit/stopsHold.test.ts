import { describe, expect, test } from 'vitest';
import { makePlan } from '../careplan';
import { NO_HAIR_RECORD, type DogFacts } from '../dog';
import { aDog, instruct } from '../careplan/tests/randomDogs';
import { finding, type Finding } from '../findings';
import { placeOf, type PlaceKey } from '../places';
import { mayDo, stopAt, type VetLift } from '../stops';
import { day } from '../units';
import { leftOutWords, reasonsTold } from '../wording';
import { readVisit, type VisitReading } from '.';
import { tapped, type Happening } from '../events';
import { type Step } from '../steps';
import { logged } from './tests/randomVisits';

const found = (
  key: PlaceKey,
  sign: Finding['sign'],
  grade: 1 | 2 | 3 = 1,
  answer: boolean | null = null,
): Happening => ({
  type: 'found',
  finding: finding(placeOf(key), sign, grade, answer),
});
const ALL_CLIPPED = { ...aDog().ways, eyeCorner: 'clip', earHair: 'routine' } as const;
const lagotto = (more: Partial<DogFacts> = {}): DogFacts => aDog({ ways: ALL_CLIPPED, ...more }, 'lagotto');
const bulldog = (more: Partial<DogFacts> = {}): DogFacts => aDog({ ways: ALL_CLIPPED, ...more }, 'english-bulldog');

const visit = (facts: DogFacts, ...happened: Happening[]): VisitReading =>
  readVisit(
    { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] },
    logged(happened),
  );
function step({ steps }: Pick<VisitReading, 'steps'>, id: string): Step {
  const its = steps.find((each) => each.id === id);
  if (!its) throw new Error(`no step ${id}: ${steps.map((each) => each.id).join(', ')}`);
  return its;
}
/** What a step says it leaves out, and what stands instead. */
const leaves = (reading: VisitReading, id: string): string[] =>
  step(reading, id).leavesOut.map((left) => `${leftOutWords(left)}: ${left.instead.words}`);
const pieces = (reading: VisitReading, id: string): string[] => step(reading, id).pieces.map(({ name }) => name);
const why = (reading: VisitReading, id: string): string =>
  reasonsTold(step(reading, id).barred?.bars.map(({ reason }) => reason) ?? []);

describe('nothing may be done at an eye or in a fold that hurts', () => {
  test('a squinting eye: no soap, no water, no blade, no comb there; every step that would says so', () => {
    const reading = visit(lagotto(), found('eye/left', 'eye squinting'));
    expect(why(reading, 'eyes, on the table left')).toBe('squinting');
    expect(leaves(reading, 'face')).toEqual(['left eye (squinting): Look only.']);
    expect(pieces(reading, 'first clip')).not.toContain('left eye corner');
    expect(pieces(reading, 'first clip')).toContain('right eye corner');
    expect(leaves(reading, 'first clip')).toEqual(['left eye (squinting): Look only.']);
    for (const id of ['rinse 1', 'last rinse', 'dry'])
      expect(leaves(reading, id)).toEqual(['left eye (squinting): By cloth, around the place.']);
    expect(step(reading, 'eyes, on the table right').barred).toBeNull();
  });

  test('yellow discharge: around it only, with plain water', () => {
    const reading = visit(lagotto(), found('eye/left', 'eye coloured discharge'));
    expect(leaves(reading, 'face')).toEqual([
      'left eye (yellow or green discharge or crust): Around it only, plain water on a soft cloth.',
    ]);
    const its = step(reading, 'eyes, on the table left');
    expect(its.barred).toBeNull();
    expect(its.title).toMatchObject({ id: 'eye around' });
    expect(its.pieces.flatMap(({ touches }) => touches.map(({ procedure }) => procedure))).toEqual(['towel']);
  });

  test.each(['fold nose/none', 'fold pocket/left'] as const)('raw skin, %s: neither washed nor wiped', (key) => {
    const reading = visit(bulldog(), found(key, 'fold raw'));
    expect(leaves(reading, 'face').join()).toContain('raw skin');
    expect(why(reading, `folds ${key}`)).toBe('raw skin');
    for (const each of reading.steps)
      for (const { touches } of each.barred ? [] : each.pieces)
        if (!each.neverBarred)
          expect(
            touches.filter(({ place, procedure }) => `${place.site}/${place.side}` === key && procedure !== 'look'),
          ).toEqual([]);
  });
});

describe('an ear', () => {
  test.each(['ear hot', 'ear pain', 'ear puffed flap'] as const)(
    '“%s” is not touched at all: not the flap either',
    (sign) => {
      const reading = visit(lagotto(), found('ear/left', sign));
      expect(step(reading, 'ears, first pass left').barred?.instead?.words).toBe('Look only.');
      expect(pieces(reading, 'first clip')).not.toContain('inside of the left flap');
      for (const id of ['first clip', 'brush-out', 'comb and tidy', 'dry'])
        expect(leaves(reading, id).join()).toMatch(/left ear/);
    },
  );

  test('under S1 keeps water below the neck on its side, in every step that has water', () => {
    const reading = visit(lagotto(), found('ear/left', 'ear yellow wax', 2));
    for (const id of ['wash 1', 'face', 'wash 2'])
      expect(leaves(reading, id).join()).toContain('By damp cloth, no water above the neck on this side.');
    expect(step(reading, 'ears, first pass left').barred?.instead?.words).toBe('Outer flap by damp pad only.');
    expect(step(reading, 'plugs').sides).toEqual(['right']);
    expect(leaves(reading, 'face').join()).toContain('left eye');
    expect(leaves(reading, 'face').join()).not.toContain('right eye (');
  });
});

describe('a vet’s lift', () => {
  const lift = (more: Partial<VetLift>): VetLift => ({
    id: 'l',
    who: 'Dr Oyelaran',
    place: placeOf('side/left'),
    lifts: 'wet sore',
    upToGrade: 1,
    procedure: 'wash',
    from: day('2026-01-01'),
    until: day('2099-12-31'),
    ...more,
  });

  test('is for the procedure it names: may be washed and rinsed, is neither clipped nor combed', () => {
    const reading = visit(lagotto({ lifts: [lift({})] }), found('side/left', 'wet sore'));
    expect(leaves(reading, 'wash 1')).toEqual([]);
    expect(leaves(reading, 'brush-out')).toEqual(['left side (wet sore): Look only.']);
    expect(leaves(reading, 'comb and tidy')).toEqual(['left side (wet sore): Look only.']);
  });

  test('stays in the answer as lifted, with who, for what, until when', () => {
    const reading = visit(lagotto({ lifts: [lift({})] }), found('side/left', 'wet sore'));
    const { bars, isOpen } = stopAt(reading.bars, {
      place: placeOf('side/left'),
      procedure: 'wash',
      product: 'cleansing',
    });
    expect(isOpen).toBe(true);
    expect(bars).toMatchObject([{ lifted: { by: ['Dr Oyelaran'], procedure: 'wash', until: '2099-12-31' } }]);
  });

  test('of two vets on two signs of one row: both must have lifted it', () => {
    const left = placeOf('ear/left');
    const signs = [found('ear/left', 'ear yellow wax', 1), found('ear/left', 'ear redness', 1)];
    const both = [
      lift({ place: left, lifts: 'ear yellow wax', procedure: 'clean', upToGrade: 3 }),
      lift({ id: 'm', who: 'Dr Kealoha', place: left, lifts: 'ear redness', procedure: 'clean', upToGrade: 3 }),
    ];
    const clean = { place: left, procedure: 'clean', product: null } as const;
    expect(stopAt(visit(lagotto({ lifts: both.slice(0, 1) }), ...signs).bars, clean).isOpen).toBe(false);
    const answer = stopAt(visit(lagotto({ lifts: both }), ...signs).bars, clean);
    expect(answer.isOpen).toBe(true);
    expect(new Set(answer.bars.flatMap(({ lifted }) => lifted?.by ?? []))).toEqual(
      new Set(['Dr Oyelaran', 'Dr Kealoha']),
    );
  });
});

describe('all that hold are said, the worst first', () => {
  test('redness and the blood beside it: the blood first', () => {
    const reading = visit(lagotto(), found('ear/left', 'ear redness', 1), found('ear/left', 'ear blood'));
    expect(why(reading, 'ears, first pass left')).toBe('blood; redness');
  });

  test('one that is lifted is never the first', () => {
    const lifts: VetLift[] = [
      {
        id: 'l',
        who: 'Dr Oyelaran',
        place: placeOf('ear/left'),
        lifts: 'long-acting gel in place',
        upToGrade: 3,
        procedure: 'clean',
        from: day('2026-01-01'),
        until: day('2099-12-31'),
      },
    ];
    const ears = lagotto().ears;
    const facts = lagotto({
      lifts,
      ears: { ...ears, left: { ...ears.left, conditions: ['long-acting gel in place', 'ear operation'] } },
    });
    const { bars } = stopAt(visit(facts).bars, { place: placeOf('ear/left'), procedure: 'clean', product: null });
    expect(
      bars.map(({ reason, lifted }) => [reason.kind === 'condition' && reason.condition, lifted !== null]),
    ).toEqual([
      ['ear operation', false],
      ['long-acting gel in place', true],
    ]);
  });

  test('of two devices’ looks the worse grade and the worse answer hold', () => {
    const many = found('belly/none', 'bumps', 1, true);
    const few = found('belly/none', 'bumps', 1, false);
    for (const [a, b] of [
      [many, few],
      [few, many],
    ] as const) {
      const facts = lagotto();
      const before = { kind: 'full visit', facts, plan: makePlan(facts), contactMinutes: 0, lastFindings: [] } as const;
      const apart = [a, b].map((what, i) => ({
        ...logged([what], ['tablet', 'phone'][i])[0]!,
        seen: {},
        v: 2,
      }));
      const { judged } = readVisit(before, apart);
      expect(judged['belly/none']?.level).toBe('vet');
    }
  });
});

describe('nothing else on the skin', () => {
  const onlyThis = { kind: 'bath product', productId: 'p', contactMinutes: 10, nothingElse: true } as const;
  const facts = bulldog({
    instructions: [instruct(onlyThis)],
    ways: { ...ALL_CLIPPED, conditioner: 'always', foldProtect: 'balm' },
  });

  test('the face is washed with plain water; folds and eyes go without product; no conditioner, no balm', () => {
    const reading = visit(facts);
    expect(step(reading, 'face')).toMatchObject({ barred: null, title: { id: 'face water' } });
    expect(step(reading, 'conditioner').barred).not.toBeNull();
    const products = reading.steps.flatMap(({ barred, pieces: its }) =>
      barred ? [] : its.flatMap(({ touches }) => touches.map(({ product }) => product)),
    );
    expect(new Set(products)).toEqual(new Set([null, 'prescribed']));
    expect(pieces(reading, 'folds fold nose/none')).toEqual(['clean', 'dry']);
  });
});

describe('plucking', () => {
  test('an owner’s no stands before a vet’s word, and the vet’s is shown beside it', () => {
    const facts = lagotto({
      pluckingConsent: false,
      instructions: [instruct({ kind: 'ear hair', way: 'whole' })],
    });
    const reading = visit(facts);
    expect(reading.steps.map(({ id }) => id)).not.toContain('ear hair left');
    const line = reading.plan.lines.find(({ task }) => task === 'ear hair');
    expect(line?.earHair).toMatchObject({
      way: 'leave',
      reason: { kind: 'ear hair', line: 'no consent' },
      beside: { kind: 'instruction', who: 'Dr Oyelaran' },
    });
  });

  test('broken off in this visit, it is not offered again, at neither ear', () => {
    const plucks = (reading: VisitReading) =>
      reading.steps.filter(({ id, barred }) => id.startsWith('ear hair') && !barred).map(({ id }) => id);
    expect(plucks(visit(lagotto()))).toEqual(['ear hair left', 'ear hair right']);
    const broken = visit(lagotto(), {
      type: 'step skipped',
      step: 'ear hair left',
      because: tapped('would not have it'),
    });
    expect(plucks(broken).filter((id) => id !== 'ear hair left')).toEqual([]);
    expect(
      plucks(visit(lagotto(), { type: 'step skipped', step: 'ear hair left', because: tapped('no time') })),
    ).toEqual(['ear hair left', 'ear hair right']);
  });

  test('old, and nobody knows whether it ever was: what sticks out is trimmed', () => {
    const ear = { ...NO_HAIR_RECORD, conditions: [], plucked: { daysAgo: null }, ownerForbidsPlucking: false };
    const way = (facts: DogFacts) =>
      makePlan(facts).lines.find(({ task }) => task === 'ear hair')?.earHair?.way ?? 'none';
    expect(way(lagotto({ lifeStage: 'senior', ears: { left: ear, right: ear } }))).toBe('trim');
    expect(way(lagotto({ lifeStage: 'adult', ears: { left: ear, right: ear } }))).toBe('staged');
  });
});

describe('haze and a lid that is stuck', () => {
  const may = (sign: Finding['sign'], answer: boolean | null = null) => {
    const { bars, judged } = visit(lagotto(), found('eye/left', sign, 1, answer));
    return [
      judged['eye/left']?.level,
      mayDo(bars, placeOf('eye/left'), ['towel']),
      mayDo(bars, placeOf('eye/left'), ['clean']),
    ];
  };
  test('three answers: a vet knows it; long there and quiet; new or not quiet', () => {
    expect(may('eye known haze')).toEqual(['note', true, true]);
    expect(may('eye old haze')).toEqual(['vet', true, false]);
    expect(may('eye new cloudiness')).toEqual(['vet today', false, false]);
  });
  test('beside an old haze a glued lid may be freed with plain water; beside a new one it is left', () => {
    const freed = (haze: Finding['sign']) => {
      const { bars } = visit(lagotto(), found('eye/left', haze), found('eye/left', 'eye lid stuck', 1, true));
      return mayDo(bars, placeOf('eye/left'), ['towel']);
    };
    expect([freed('eye old haze'), freed('eye new cloudiness')]).toEqual([true, false]);
  });
});

describe('an eye under drops, and one that was operated on', () => {
  const answered = (question: 'eye drops, left eye' | 'eye operation, left eye'): Happening => ({
    type: 'answered',
    question,
    answer: true,
  });
  test('drops or ointment today: plain water around it only', () => {
    const reading = visit(lagotto(), answered('eye drops, left eye'));
    expect(leaves(reading, 'face')).toEqual([
      'left eye (eye drops or ointment today): Around it only, plain water on a soft cloth.',
    ]);
    expect(leaves(reading, 'face').join()).not.toContain('right eye');
  });
  test('an operation: nothing there, and no water on the head at all', () => {
    const reading = visit(lagotto(), answered('eye operation, left eye'));
    expect(why(reading, 'eyes, on the table left')).toBe('eye operation');
    // No water comes to the head: no plug is needed, and none is put in.
    expect(reading.steps.map(({ id }) => id)).not.toContain('plugs');
    const wet = reading.steps.flatMap(({ barred, neverBarred, pieces: its }) =>
      barred || neverBarred
        ? []
        : its.flatMap(({ touches }) =>
            touches
              .filter(({ procedure }) => procedure === 'wash' || procedure === 'rinse')
              .map(({ place }) => place.site),
          ),
    );
    expect(wet.filter((site) => site === 'head' || site === 'eye' || site === 'ear')).toEqual([]);
  });
});

describe('a sign that this version does not know', () => {
  const unknown = 'ear glowing' as Finding['sign'];
  const reading = visit(lagotto(), {
    type: 'found',
    finding: { place: placeOf('ear/left'), sign: unknown, grade: 1, answer: null },
  });
  test('bars its place like S1, and says that this device is older than the record', () => {
    expect(step(reading, 'ears, first pass left').barred?.bars[0]).toMatchObject({ stop: 'S1' });
    expect(why(reading, 'ears, first pass left')).toBe('ear glowing; this device is older than the record: update');
    expect(step(reading, 'plugs').sides).toEqual(['right']);
  });
  test('and so does the place of an earlier stop whose words a newer version wrote: they are shown', () => {
    const kept = visit(lagotto({ suspended: { 'ear/left': { words: 'something new' } } }));
    expect(why(kept, 'ears, first pass left')).toBe('something new');
  });
});

import { dogAtWork } from '../careplan';
import { SIDES, placeKey } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE, PRODUCT_LABEL, type Sourced } from '../provenance';
import {
  conditioner as conditionerWork,
  crustInTheTub,
  flapInTheTub,
  plugs as plugWork,
  rinse as rinseWork,
  wash,
  washFace,
  washesHead,
  waysFor,
  wet as wetWork,
} from '../work';
import { schoolWords } from '../ways';
import { first } from './hazards';
import { hasPiece, neverBarred, left, practice, says, saysBeforeWater, step, type Left } from './makeStep';
import { crustWaits } from './placeSteps';
import { conditionerWanted } from '../needs';
import { title } from './stepTitles';
import { STAGE_MINUTES, type Dwell, type Step } from './steps';
import { lineOf, pluggedSides, unpluggedSides, type VisitPlan } from './visitPlan';

/** How long conditioner stays on, in seconds [common practice]. */
const CONDITIONER_SECONDS = 300;

/** A face gone over with pads, and a neck that is all the bath comes to, take less time [house values]. */
const FACE_PADS_MINUTES = 1;
const HEAD_MINUTES = 2;

const washesTwice = ({ facts }: VisitPlan): boolean => waysFor(facts).washes === 'two';

/** The body wash and what bars leave of it; without it there is no bath, and nothing that belongs to one. */
function bodyWash(visit: VisitPlan): Left {
  let work = BODY_WASH.get(visit);
  if (work === undefined) BODY_WASH.set(visit, (work = left(visit, wash(dogAtWork(visit.facts), 1))));
  return work;
}
/** Asked for every step of a bath. */
const BODY_WASH = new WeakMap<VisitPlan, Left>();
export const noBath = (visit: VisitPlan): Step['barred'] => {
  const { barred } = bodyWash(visit);
  return barred && { bars: barred.bars, instead: { words: 'Towels and brush only.', does: ['towel', 'comb'] } };
};
/** What belongs to a bath goes with it. */
export const unlessBarred = (visit: VisitPlan, work: Left): Left => {
  const barred = noBath(visit);
  return barred ? { pieces: [], leavesOut: [], barred } : work;
};

const isTimed = (visit: VisitPlan): boolean => visit.contactMinutes > 0 && noBath(visit) === null;
const timesFirst = (visit: VisitPlan): boolean =>
  isTimed(visit) && (!washesTwice(visit) || visit.facts.ways.medicated === 'both washes timed');

const contact = (visit: VisitPlan, which: 1 | 2): Dwell => ({
  timer: `contact ${which}`,
  name: `Contact, wash ${which}`,
  seconds: visit.contactMinutes * 60,
  ...(visit.contactMost ? { most: visit.contactMost * 60 } : {}),
  source: visit.plan.bathProduct?.source ?? PRODUCT_LABEL,
});

/** The head in the business's order; what must stay dry of it is said by what the step leaves out. */
const headWords = ({ facts }: VisitPlan, work: Left): Sourced[] => {
  if (!washesHead(facts)) return [{ words: schoolWords(facts.ways, 'head'), source: HOUSE_VALUE }];
  if (!work.pieces.some(({ id }) => id.startsWith('wash head'))) return [];
  const words =
    facts.ways.head === 'first'
      ? 'Head first: it soaks while the body is washed, and is rinsed first.'
      : schoolWords(facts.ways, 'head');
  return [{ words, source: HOUSE_VALUE }];
};

export const wet = (visit: VisitPlan): Step =>
  step('wet', {
    title: title('wet'),
    how: [
      ...saysBeforeWater(lineOf(visit, 'bath')),
      ...practice('Lukewarm, tried on your own wrist, running water.', 'Neck, back, hind leg, side, front leg, turn.'),
    ],
    after: [
      ...first('seen first', 'look-over'),
      ...first('mat before water', ...visit.found.mats.map(({ place }) => `mat ${placeKey(place)}`)),
      ...(visit.found.mats.length > 0 ? first('mat before water', 'brush-out') : []),
    ],
    ...unlessBarred(visit, left(visit, wetWork(dogAtWork(visit.facts)))),
  });

/** One sentence, everywhere. */
export const PLUG_WORDS =
  'A whole or half ball of cotton at the mouth of the canal, an end left to take hold of; never pushed.';

export const plugsIn = (visit: VisitPlan): Step[] => {
  const sides = pluggedSides(visit);
  if (sides.length === 0 || noBath(visit)) return [];
  const isAfter = visit.facts.ways.earsWhen === 'after';
  return [
    step('plugs', {
      title: title('plugs'),
      how: practice(PLUG_WORDS, 'A buffer only: water is aimed away all the same.'),
      counts: 'plugs in',
      sides,
      after: [
        ...first('seen first', 'look-over'),
        ...(isAfter ? [] : first('nothing over a plug', ...sides.map((side) => `ears, first pass ${side}`))),
      ],
      ...left(visit, plugWork(sides)),
    }),
  ];
};

export const plugsOut = (visit: VisitPlan): Step[] => {
  const sides = unpluggedSides(visit);
  const isIn = sides.some((side) => visit.plugs[side] === 'in');
  if (sides.length === 0 || (noBath(visit) && !isIn)) return [];
  return [
    step('plugs out', {
      title: title('plugs out'),
      how: practice('Note damp or dry, left and right.'),
      counts: 'plugs out',
      sides,
      after: [...first('plug before the head', 'plugs'), ...first('water off first', 'last rinse')],
      neverBarred: true,
    }),
  ];
};

export const wash1 = (visit: VisitPlan): Step => {
  const head = washesHead(visit.facts);
  // Of a flap that turned out not to be greasy nothing is handed on.
  const flaps = head ? (visit.flapHandedOn ?? []).filter((side) => visit.found.greasyFlaps.includes(side)) : [];
  const work =
    flaps.length > 0 ? left(visit, [...wash(dogAtWork(visit.facts), 1), ...flapInTheTub(flaps)]) : bodyWash(visit);
  return step('wash 1', {
    title: title(washesTwice(visit) ? 'first wash' : 'only wash'),
    how: [
      ...says(lineOf(visit, 'bath')),
      ...headWords(visit, work),
      ...practice(
        head
          ? 'Armpits, belly, between toes, behind ears, lips, under the tail.'
          : 'Armpits, belly, between toes, under the tail.',
      ),
      ...(hasPiece(work, 'flap washed') ? practice('A flap is still greasy: washed here, its plug in.') : []),
    ],
    minutes: STAGE_MINUTES['wash 1'] - (head ? 0 : HEAD_MINUTES),
    after: [
      ...first('water first', 'wet'),
      ...(head
        ? [
            ...first('plug before the head', 'plugs'),
            ...first('lid before soap', ...SIDES.map((side) => `eyes, on the table ${side}`)),
          ]
        : []),
    ],
    ...work,
  });
};

export const contact1 = (visit: VisitPlan): Step[] =>
  timesFirst(visit)
    ? [
        step('contact', {
          title: title('contact', null, visit.contactMinutes),
          how: practice('Sore places first, toes too. Use the time for the face.'),
          dwell: contact(visit, 1),
          after: first('water first', 'wash 1'),
        }),
      ]
    : [];

/** The face as the business does it; where no water may come to it, by damp cloth. */
export const face = (visit: VisitPlan): Step[] => {
  const line = lineOf(visit, 'face wash');
  const dog = dogAtWork(visit.facts);
  const washing = washFace(dog);
  if (!line || washing.length === 0) return [];
  const { crustHandedOn = [] } = visit;
  const crust = SIDES.filter((side) => crustWaits(visit, side) || crustHandedOn.includes(side));
  const work = unlessBarred(visit, left(visit, [...washing, ...crustInTheTub(crust)]));
  const pads = hasPiece(work, 'face pads');
  const bare = work.pieces.every(({ touches }) => touches.every(({ product }) => product === null));
  return [
    step('face', {
      title: title(pads ? 'face pads' : work.barred === null && bare ? 'face water' : 'face'),
      how: [
        ...practice(
          pads
            ? 'A fresh damp pad for each eye, from the eye towards the cheek; dried after.'
            : 'From behind, head tipped down. Body shampoo stays off the face.',
        ),
        ...(hasPiece(work, 'eye crust')
          ? practice('Crust once it is soft: combed away from the eye, never picked.')
          : []),
        ...says(line),
      ],
      minutes: pads ? FACE_PADS_MINUTES : STAGE_MINUTES.face,
      during: ['contact', 'contact 2'],
      after: [
        ...first('seen first', 'look-over'),
        ...first('plug before the head', 'plugs'),
        ...first('lid before soap', ...SIDES.map((side) => `eyes, on the table ${side}`)),
      ],
      ...work,
    }),
  ];
};

const rinsing = (visit: VisitPlan): Left => unlessBarred(visit, neverBarred(visit, rinseWork(dogAtWork(visit.facts))));
const headFirst = ({ facts }: VisitPlan): Sourced[] =>
  facts.ways.head === 'first' ? [{ words: 'The head first.', source: HOUSE_VALUE }] : [];

export const rinse1 = (visit: VisitPlan): Step[] =>
  washesTwice(visit)
    ? [
        step('rinse 1', {
          title: title('rinse'),
          how: [...headFirst(visit), ...practice('May be rough: a second wash follows.')],
          after: [...first('product off', 'wash 1', 'face'), ...first('contact before rinse', 'contact')],
          neverBarred: true,
          ...rinsing(visit),
        }),
      ]
    : [];

export const wash2 = (visit: VisitPlan): Step[] => {
  if (!washesTwice(visit)) return [];
  const work = unlessBarred(visit, left(visit, wash(dogAtWork(visit.facts), 2)));
  return [
    step('wash 2', {
      title: title('second wash'),
      how: [...practice('For coat and skin.'), ...headWords(visit, work), ...says(lineOf(visit, 'second wash'))],
      minutes: STAGE_MINUTES['wash 2'] - (washesHead(visit.facts) ? 0 : 1),
      after: first('product off', 'rinse 1'),
      ...work,
    }),
  ];
};

export const contact2 = (visit: VisitPlan): Step[] =>
  washesTwice(visit) && isTimed(visit)
    ? [
        step('contact 2', {
          title: title('contact', null, visit.contactMinutes),
          how: practice('Time it again.'),
          dwell: contact(visit, 2),
          after: first('water first', 'wash 2'),
        }),
      ]
    : [];

export const lastRinse = (visit: VisitPlan): Step =>
  step('last rinse', {
    title: title('last rinse'),
    how: [
      ...headFirst(visit),
      ...practice('Top down, until nothing bubbles. Belly, armpits, under the tail.'),
      ...(washesTwice(visit) ? [] : (lineOf(visit, 'second wash')?.cautions ?? [])),
    ],
    after: [
      ...first('product off', 'wash 1', 'face', 'wash 2'),
      ...first('contact before rinse', 'contact', 'contact 2'),
    ],
    neverBarred: true,
    ...rinsing(visit),
  });

/** As the bath chose; where nobody looked at the shelf, by the same rule without it. What was given stays. */
export function conditionerSteps(visit: VisitPlan): Step[] {
  const { wanted } = visit.bath?.conditioned ?? conditionerWanted(visit.facts, null, true);
  if (!(wanted || visit.isConditioned) || noBath(visit)) return [];
  return [
    step('conditioner', {
      title: title('conditioner'),
      how: [
        ...practice('Spread on the hands first; a towel over the dog; rinsed.'),
        ...says(lineOf(visit, 'conditioner')),
      ],
      dwell: {
        timer: 'conditioner',
        name: 'Conditioner',
        seconds: CONDITIONER_SECONDS,
        source: COMMON_PRACTICE,
      },
      after: first('product off', 'last rinse'),
      ...left(visit, conditionerWork(dogAtWork(visit.facts))),
    }),
  ];
}

import { schoolWords } from '../ways';
import { foldSites, type Traits } from '../catalogue';
import { SIDES, placeKey } from '../places';
import { COMMON_PRACTICE, HOUSE_VALUE, PRODUCT_LABEL, type Sourced } from '../provenance';
import { bathBar, leaveOut, placesWith, taskBar } from './bars';
import { practice, says, step } from './makeStep';
import type { Dwell, Step } from './steps';
import { keepsDry, lineOf, pluggedSides, type VisitPlan } from './visitPlan';

/** How long conditioner stays on, in seconds [common practice]. */
const CONDITIONER_SECONDS = 300;
/** A dog rests in its towel before the dryer; another dog can use the hands [house value]. */
const TOWEL_REST_SECONDS = 600;
/** Coats that need conditioner for combing. */
const LONG_OR_DRY: readonly Traits['coat'][] = ['long double', 'silky drop', 'curly', 'long'];

/** Where a coat stays damp, checked one by one before the dog counts as dry [common practice]. */
const DRY_PARTS = ['face', 'ears', 'armpits', 'belly', 'paws', 'rear', 'folds'] as const;

const washesTwice = ({ facts }: VisitPlan): boolean => facts.ways.washes === 'two';
const isTimed = (visit: VisitPlan): boolean => visit.contactMinutes > 0 && bathBar(visit) === null;
const timesFirst = (visit: VisitPlan): boolean =>
  isTimed(visit) && (!washesTwice(visit) || visit.facts.ways.medicated === 'both washes timed');

const contact = (visit: VisitPlan, wash: 1 | 2): Dwell => ({
  timer: `contact ${wash}`,
  name: `Contact, wash ${wash}`,
  seconds: visit.contactMinutes * 60,
  ...(visit.contactMost ? { most: visit.contactMost * 60 } : {}),
  source: visit.plan.bathProduct?.source ?? PRODUCT_LABEL,
});

/** What to do with the head, for the sides that must stay dry and the house's order. */
function headWords(visit: VisitPlan): Sourced {
  const dry = SIDES.filter((side) => keepsDry(visit, side));
  return dry.length > 0
    ? {
        words: `No water above the neck on the ${dry.join(' and ')} side: head by damp cloth.`,
        source: HOUSE_VALUE,
      }
    : { words: schoolWords(visit.facts.ways, 'head'), source: HOUSE_VALUE };
}

export const wet = (visit: VisitPlan): Step =>
  step('wet', {
    title: 'Wet the coat',
    how: practice('Lukewarm, tried on your own wrist, running water.', 'Neck, back, hind leg, side, front leg, turn.'),
    after: [
      'look-over',
      'brush-out',
      ...placesWith(visit, ['mat']).map((place) => `mat ${placeKey(place)}`),
      ...SIDES.map((side) => `eyes, on the table ${side}`),
    ],
    barred: bathBar(visit),
  });

export const plugsIn = (visit: VisitPlan): Step[] => {
  const sides = pluggedSides(visit);
  if (sides.length === 0 || bathBar(visit)) return [];
  return [
    step('plugs', {
      title: 'Plugs in, counted',
      how: practice('Half a cotton ball each, deep enough to survive a shake.'),
      counts: 'plugs in',
      sides,
      after: ['look-over'],
    }),
  ];
};

export const plugsOut = (visit: VisitPlan): Step[] => {
  const sides = pluggedSides(visit);
  if (sides.length === 0 || bathBar(visit)) return [];
  return [
    step('plugs out', {
      title: 'Plugs out, counted',
      how: practice('Note damp or dry, left and right.'),
      counts: 'plugs out',
      sides,
      after: ['plugs', 'last rinse'],
      kept: true,
    }),
  ];
};

export const wash1 = (visit: VisitPlan): Step =>
  step('wash 1', {
    title: washesTwice(visit) ? 'First wash' : 'Wash',
    how: [
      // The plan's own word on the head gives way to what this visit's ears ask for.
      ...says(lineOf(visit, 'bath')).filter(({ words }) => words !== schoolWords(visit.facts.ways, 'head')),
      headWords(visit),
      ...leaveOut(visit),
      ...practice('Armpits, belly, between toes, behind ears, lips, under the tail.'),
    ],
    after: ['wet', 'plugs'],
    barred: bathBar(visit),
  });

export const contact1 = (visit: VisitPlan): Step[] =>
  timesFirst(visit)
    ? [
        step('contact', {
          title: `Leave it on, ${visit.contactMinutes} min`,
          how: practice('Sore places first, toes too. Use the time for the face.'),
          dwell: contact(visit, 1),
          after: ['wash 1'],
        }),
      ]
    : [];

/** The face, with its own mild product, while the body wash stands. */
export const face = (visit: VisitPlan): Step[] => {
  const line = lineOf(visit, 'face wash');
  if (!line) return [];
  return [
    step('face', {
      title: 'Wash the face',
      how: [...practice('From behind, head tipped down. Body shampoo stays off the face.'), ...says(line)],
      during: ['contact', 'contact 2'],
      after: ['wash 1'],
      barred: bathBar(visit) ?? taskBar(visit, 'face wash'),
    }),
  ];
};

export const rinse1 = (visit: VisitPlan): Step[] =>
  washesTwice(visit)
    ? [
        step('rinse 1', {
          title: 'Rinse',
          how: practice('May be rough: a second wash follows.'),
          after: ['wash 1', 'contact', 'face'],
          kept: true,
          barred: bathBar(visit),
        }),
      ]
    : [];

export const wash2 = (visit: VisitPlan): Step[] =>
  washesTwice(visit)
    ? [
        step('wash 2', {
          title: 'Second wash, half the mix',
          how: [
            ...practice('For coat and skin.'),
            headWords(visit),
            ...leaveOut(visit),
            ...says(lineOf(visit, 'second wash')),
          ],
          after: ['rinse 1'],
          barred: bathBar(visit),
        }),
      ]
    : [];

export const contact2 = (visit: VisitPlan): Step[] =>
  washesTwice(visit) && isTimed(visit)
    ? [
        step('contact 2', {
          title: `Leave it on, ${visit.contactMinutes} min`,
          how: practice('Time it again.'),
          dwell: contact(visit, 2),
          after: ['wash 2'],
        }),
      ]
    : [];

export const lastRinse = (visit: VisitPlan): Step =>
  step('last rinse', {
    title: 'Rinse until it squeaks',
    how: [
      ...practice('Top down, until nothing bubbles. Belly, armpits, under the tail.'),
      ...(washesTwice(visit) ? [] : (lineOf(visit, 'second wash')?.cautions ?? [])),
    ],
    after: ['wash 1', 'contact', 'face', 'wash 2', 'contact 2'],
    kept: true,
    barred: bathBar(visit),
  });

/** Only as the house does it, and never on skin under treatment unless the vet says so. */
export function conditionerSteps(visit: VisitPlan): Step[] {
  const { ways, traits, skin } = visit.facts;
  const wanted =
    ways.conditioner === 'always' ||
    ways.conditioner === 'own interval' ||
    (ways.conditioner === 'long or dry coats' && LONG_OR_DRY.includes(traits.coat));
  const allowed = skin !== 'under treatment' && !(visit.plan.bathProduct?.nothingElse ?? false);
  if (!wanted || !allowed || bathBar(visit)) return [];
  return [
    step('conditioner', {
      title: 'Conditioner, then rinse',
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
      after: ['last rinse'],
    }),
  ];
}

export const waterOff = (visit: VisitPlan): Step =>
  step('water off', {
    title: 'Press the water off',
    how: practice('Squeeze, press with towels, never rub. Let the dog shake.'),
    after: ['last rinse'],
    kept: true,
    barred: bathBar(visit),
  });

export const dry = (visit: VisitPlan): Step =>
  step('dry', {
    title: 'Dry, place by place',
    how: [
      ...practice('Ears covered from noise and air, low heat. Feel each place to the skin.'),
      ...says(lineOf(visit, 'drying')),
    ],
    dwell: { timer: 'towel rest', name: 'Towel rest', seconds: TOWEL_REST_SECONDS, source: HOUSE_VALUE },
    parts: DRY_PARTS.filter((part) => part !== 'folds' || foldSites(visit.facts.traits).length > 0),
    after: ['water off'],
    kept: true,
    barred: bathBar(visit),
  });

import { strengthOf } from '../dilution';
import { HOUSEHOLD, type HomeBath, type HouseholdMix, type Spoonfuls } from '../homebath';
import { ALL_BATH_STEPS, BATH_STEPS, type BathStep, type HomeCard } from '../methods';
import { showDay, showProduct, showVolume, type UnitSystem } from '../units';
import { sayAll } from './say';
import { fillIn } from './sentences';
import type { Wording } from './wording';

/** A bath at home in the words of the owner who gives it. */
export type HomeBathTold =
  | { readonly kind: 'not now'; readonly words: string }
  | {
      readonly kind: 'ready';
      readonly product: string;
      /** "1½ level teaspoons"; null: no spoon gives it, the millilitres do. */
      readonly spoons: string | null;
      /** "7.5 ml" */
      readonly amount: string;
      /** "350 ml", "1½ cups"; null: it is never mixed. */
      readonly water: string | null;
      /** "1 part shampoo to 50 parts water" */
      readonly parts: string | null;
      /** With what it is measured. */
      readonly note: string;
      readonly contactMinutes: number | null;
      readonly nothingElse: boolean;
      readonly steps: readonly {
        readonly id: BathStep;
        readonly words: string;
        readonly drawing: HomeCard['drawing'];
      }[];
    };
export type HomeBathReady = Extract<HomeBathTold, { kind: 'ready' }>;

export function homeBathTold(wording: Wording, bath: HomeBath, units: UnitSystem): HomeBathTold {
  const { page, language } = wording;
  switch (bath.kind) {
    // What the salon has to settle is not the owner's to read.
    case 'to be settled':
      return { kind: 'not now', words: page.bathAskFirst };
    case 'not now': {
      if (bath.why === 'spot-on')
        return { kind: 'not now', words: fillIn(page.bathSpotOn, { day: showDay(bath.until, language) }) };
      const reasons = sayAll(bath.reasons, wording, 'owner');
      return { kind: 'not now', words: reasons ? fillIn(page.bathNotNow, { reasons }) : page.bathAskFirst };
    }
    case 'ready': {
      const { mix, takes, contactMinutes } = bath;
      return {
        kind: 'ready',
        product: bath.product,
        spoons: mix?.measured.by === 'spoon' ? spoonWords(wording, mix.measured) : null,
        amount: showProduct(takes, units),
        water: mix && waterWords(wording, mix, units),
        parts: bath.waterParts && partWords(wording, bath.waterParts),
        note: mix === null ? '' : page[NOTES[mix.measured.by]],
        contactMinutes,
        nothingElse: bath.nothingElse,
        steps: stepsOf(wording, mix !== null, contactMinutes),
      };
    }
  }
}

/** Steps that this bath has: nothing is mixed where it is used as it is, and nothing waits where nothing is asked. */
const stepsOf = (wording: Wording, isMixed: boolean, contactMinutes: number | null): HomeBathReady['steps'] =>
  ALL_BATH_STEPS.filter(
    (id) => (isMixed || (id !== 'mix' && id !== 'throw away')) && (contactMinutes !== null || id !== 'wait'),
  ).map((id) => ({
    id,
    words: fillIn(wording.bathSteps[id], { minutes: String(contactMinutes ?? '') }),
    drawing: BATH_STEPS[id].drawing,
  }));

const QUARTERS = ['', '¼', '½', '¾'] as const;

/** "1½", "¾", "2" */
function withQuarters(count: number): string {
  const whole = Math.floor(count + 1e-9);
  const quarter = QUARTERS[Math.round((count - whole) * 4)] ?? '';
  return whole === 0 && quarter !== '' ? quarter : `${whole}${quarter}`;
}

const NOTES = { spoon: 'spoonNote', jug: 'jugNote', syringe: 'syringeNote' } as const;

function spoonWords({ page }: Wording, { spoon, count }: Spoonfuls): string {
  const many = { teaspoon: page.teaspoons, tablespoon: page.tablespoons } as const;
  return fillIn(count > 1 ? many[spoon] : page[spoon], { count: withQuarters(count) });
}

/** In cups where a US jug has its marks; else in millilitres. */
function waterWords({ page }: Wording, { water }: HouseholdMix, units: UnitSystem): string {
  const cups = water / HOUSEHOLD[units].cup;
  const isMarked = Math.abs(cups * 4 - Math.round(cups * 4)) < 1e-6;
  if (units === 'metric' || !isMarked) return showVolume(water, units);
  return `${fillIn(cups > 1 ? page.cups : page.cup, { count: withQuarters(cups) })} (${showVolume(water, units)})`;
}

const partWords = ({ page }: Wording, waterParts: string): string =>
  fillIn(page.bathParts, { parts: String(Number(strengthOf(waterParts).water.valueOf().toFixed(1))) });

/** What stands on the small bottle that a salon fills for an owner. */
export interface HomeLabel {
  readonly product: string;
  readonly dog: string;
  readonly lines: readonly string[];
  readonly hazard: string;
}

/** The label of a bottle of concentrate: whose it is, how it is mixed, how long it stays on, and never a mix to keep. */
export function homeLabel(
  wording: Wording,
  bath: HomeBathReady,
  given: {
    readonly dog: string;
    readonly filledOn: Parameters<typeof showDay>[0];
    readonly cautions: readonly (keyof Wording['labelCautions'])[];
  },
): HomeLabel {
  const { page, language, labelCautions } = wording;
  const amount = bath.spoons === null ? bath.amount : `${bath.spoons} (${bath.amount})`;
  return {
    product: bath.product,
    dog: fillIn(page.labelOnlyFor, { dog: given.dog }),
    lines: [
      ...(bath.water === null
        ? [page.bathAsIs, `${page.bathOnce}: ${amount}`]
        : [
            page.labelConcentrate,
            `${page.bathOnce}: ${amount} + ${bath.water} ${page.bathWater}`,
            ...(bath.parts === null ? [] : [bath.parts]),
            page.bathMixOnDay,
          ]),
      ...(bath.contactMinutes === null ? [] : [fillIn(page.bathContact, { minutes: String(bath.contactMinutes) })]),
      fillIn(page.labelFilled, { day: showDay(given.filledOn, language) }),
    ],
    hazard: [...given.cautions.map((each) => labelCautions[each]), page.labelOfAll].join(' '),
  };
}

import { prescribedOn, type CarePlan, type PlanLine } from '../careplan';
import {
  BODY_WASHES,
  labelMeaning,
  readLabel,
  type LabelContext,
  type LabelReading,
  type Product,
  type ProductKind,
  type RatioSaid,
} from '../dilution';
import type { DogFacts } from '../dog';
import { againstProduct, partAmounts } from '../needs';
import type { Site } from '../places';
import { DOGS_RECORD } from '../provenance';
import type { Reason } from '../reasons';
import { SPOT_ON_DAYS } from '../rules';
import { addDays, daysBetween, millilitres, type Day, type Millilitres, type UnitSystem } from '../units';
import { householdMix, type HouseholdMix } from './householdMix';

/** What an owner washes a dog with at home, as it was agreed. */
export type HomeBottle =
  /** The owner's own bottle: its name, its label as printed, and what was said of a label that can be read in two ways. */
  | { readonly kind: 'own'; readonly name: string; readonly label: string; readonly said: RatioSaid | null }
  /** A small bottle of concentrate that the salon fills and labels. */
  | { readonly kind: 'filled'; readonly productId: string }
  /** What a vet or the owner asked for in the salon, too. */
  | { readonly kind: 'prescribed' };

export interface HomeBathAgreed {
  readonly bottle: HomeBottle;
  /** How often, days. */
  readonly everyDays: number;
}

/** Washes that a salon may fill for an owner: what a vet prescribed is filled by nobody but the vet. */
export const FILLED_KINDS: readonly ProductKind[] = BODY_WASHES;

/** Minutes that a bath at home asks of an owner, drying included, up to a weight [house values]. */
const MINUTES = [
  [10, 30],
  [25, 45],
  [Infinity, 60],
] as const;

const minutesOf = ({ weight }: DogFacts): number => MINUTES.find(([upTo]) => weight <= upTo)?.[1] ?? 60;

const AGREED: Reason = { kind: 'typed', words: 'agreed with the owner' };

/** The lines of a plan with the bath that an owner gives at home; where the bath is barred, nobody gives one. */
export const withHomeBath = (
  lines: readonly PlanLine[],
  agreed: HomeBathAgreed | null,
  facts: DogFacts,
): readonly PlanLine[] =>
  agreed === null
    ? lines
    : lines.map((line) =>
        line.task === 'bath' && notNow(line, facts) === null
          ? {
              ...line,
              home: {
                everyDays: agreed.everyDays,
                minutes: minutesOf(facts),
                how: 'bath at home',
                reason: AGREED,
                source: DOGS_RECORD,
              },
            }
          : line,
      );

/** Why there is no bath at home now. */
export type NotNow =
  | { readonly why: 'barred'; readonly reasons: readonly Reason[] }
  /** It may wash off; from that day on it is asked again. */
  | { readonly why: 'spot-on'; readonly until: Day };

/** The head stays dry at home: what is left alone there stands in the way of nothing. */
const OF_THE_HEAD: ReadonlySet<Site> = new Set<Site>([
  'ear',
  'eye',
  'fold nose',
  'fold pocket',
  'fold lip',
  'fold brow',
  'nose pad',
  'mouth',
  'head',
]);

function notNow(line: PlanLine, { fitness, today }: DogFacts): NotNow | null {
  const onBody = line.leavesOut.filter(({ places }) => places.some(({ site }) => !OF_THE_HEAD.has(site)));
  const reasons = [...line.bars, ...onBody.flatMap(({ bars }) => bars)].map(({ reason }) => reason);
  if (reasons.length > 0) return { why: 'barred', reasons };
  const { spotOn } = fitness;
  return spotOn !== null && Math.abs(daysBetween(spotOn, today)) <= SPOT_ON_DAYS
    ? { why: 'spot-on', until: addDays(spotOn, SPOT_ON_DAYS + 1) }
    : null;
}

/** A bath at home, reckoned. */
export type HomeBath =
  | ({ readonly kind: 'not now' } & NotNow)
  /** A person of the salon has to settle something first; in a groomer's words. */
  | { readonly kind: 'to be settled'; readonly why: string }
  | {
      readonly kind: 'ready';
      readonly product: string;
      /** Null: used as it is, so many millilitres. */
      readonly mix: HouseholdMix | null;
      /** Parts of water to one of product, exact as kept; null: never diluted. */
      readonly waterParts: string | null;
      /** Ml of product for one bath. */
      readonly takes: Millilitres;
      /** Minutes that it stays on; null: none are asked. */
      readonly contactMinutes: number | null;
      readonly nothingElse: boolean;
      /** Of the shelf, where it is one of its products: its label's warnings. */
      readonly shelfId: string | null;
    };

interface Kitchen {
  readonly units: UnitSystem;
  readonly shelf: readonly Product[];
}

const settle = (why: string): HomeBath => ({ kind: 'to be settled', why });

/** What one bath at home takes, and how it is mixed. A prescribed wash goes before whatever else was agreed. */
export function homeBath(facts: DogFacts, plan: CarePlan, agreed: HomeBathAgreed, { units, shelf }: Kitchen): HomeBath {
  const line = plan.lines.find(({ task }) => task === 'bath');
  const stands = line ? notNow(line, facts) : null;
  if (stands) return { kind: 'not now', ...stands };
  const given = prescribedOn(facts);
  const chosen = given
    ? (shelf.find(({ id }) => id === given.productId) ?? `The product that ${given.who} asked for is not on the shelf.`)
    : bottleOf(agreed.bottle, shelf, facts.ways.readsOneTo);
  if (typeof chosen === 'string') return settle(chosen);
  const isShelfs = shelf.some(({ id }) => id === chosen.id);
  const against = isShelfs && !given ? againstProduct(chosen, ['bath'], facts, plan) : null;
  if (against !== null) return settle(`${chosen.name} ${against}.`);
  const need = partAmounts(facts, chosen, 1).bath;
  const { dilution } = chosen;
  const mix =
    dilution.kind === 'dilute' ? householdMix({ need, product: chosen, strength: dilution.strength, units }) : null;
  const contact = given ? given.contactMinutes : (chosen.contact?.least ?? 0);
  return {
    kind: 'ready',
    product: chosen.name,
    mix,
    waterParts: dilution.kind === 'dilute' ? dilution.strength.water.toFraction() : null,
    takes: mix?.product ?? millilitres(Math.ceil(need / 5) * 5),
    contactMinutes: contact > 0 ? contact : null,
    nothingElse: given?.nothingElse ?? false,
    shelfId: isShelfs ? chosen.id : null,
  };
}

/** The bottle as a product; what hinders it in words. */
function bottleOf(bottle: HomeBottle, shelf: readonly Product[], oneToN: LabelContext['oneToN']): Product | string {
  switch (bottle.kind) {
    case 'prescribed':
      return 'Nothing is prescribed any more: say what the bath at home is given with.';
    case 'filled': {
      const product = shelf.find(({ id }) => id === bottle.productId);
      if (!product) return 'The product that was filled is not on the shelf any more.';
      return FILLED_KINDS.includes(product.kind) ? product : `${product.name} is not a wash that a salon may fill.`;
    }
    case 'own':
      return ownBottle(bottle, oneToN);
  }
}

/** As the mixing bench reads a label; what it can mean in two ways a person has to say. */
export const readOwnLabel = (label: string, oneToN: LabelContext['oneToN']): LabelReading =>
  readLabel(label, { medicated: false, oneToN, strokeMl: 0 });

function ownBottle(
  { name, label, said }: Extract<HomeBottle, { kind: 'own' }>,
  oneToN: LabelContext['oneToN'],
): Product | string {
  const meaning = labelMeaning(readOwnLabel(label, oneToN), said);
  if (meaning.kind === 'to be said' || meaning.kind === 'refused') return meaning.why;
  return {
    id: '',
    name,
    // Of a bottle that nobody here knows: judged as the plainest wash there is.
    kind: 'cleansing',
    label,
    dilution: meaning.kind === 'ready to use' ? { kind: 'ready to use' } : meaning.dilution,
    contact: null,
    amountFactor: 1,
    suppliedBy: 'owner',
    costPerMl: null,
    cautions: [],
    ingredients: [],
  };
}

/** Small bottles that salons fill, ml [house values]. */
const SMALL_BOTTLES = [30, 60, 100, 250] as const;

/** Room for air and a hand that is not quite steady [house value]. */
const ROOM = 0.1;

/** A small bottle of concentrate for the baths until the next visit. */
export interface Filling {
  readonly baths: number;
  /** Ml to fill in. */
  readonly ml: number;
  /** The smallest bottle that holds it, ml; null: it holds more than any, fill it in parts. */
  readonly bottle: number | null;
}

/** How much to fill: what the baths take until the dog comes again, one at least. */
export function fillingFor(takes: Millilitres, everyDays: number, daysUntilVisit: number): Filling {
  const baths = Math.max(1, Math.ceil(daysUntilVisit / everyDays) - 1);
  const ml = Math.ceil(baths * takes);
  return { baths, ml, bottle: SMALL_BOTTLES.find((holds) => holds >= ml * (1 + ROOM)) ?? null };
}

import { PRODUCT_PARTS, visitNeeds, type EarsWorked, type Need } from '@dewpond/core/needs';
import type { DueLine } from '@dewpond/core/due';
import { bathMix, mixCard, surfaceArea, RESERVE } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { mostWaste } from '@dewpond/core/ways';
import { partsOf, type VisitContents } from '@dewpond/core/steps';
import { chosenBath, type ChosenBath } from '@dewpond/core/visit';
import type { MixView } from '@dewpond/contract';
import { type StockedBusiness } from '../business/business';
import { type StockedProduct, strengthWords, type Shelf } from '../shelf/shelf';
import type { Planned } from './facts';

/** A dog and its plan; with what is due, where anyone asked. */
export type PlannedBath = Pick<Planned, 'facts' | 'plan'> & Partial<Pick<Planned, 'due'>>;

/** What a visit takes of the business's products. */
export const needsOfVisit = (
  contents: VisitContents,
  { facts, plan, due }: PlannedBath,
  shelf: Shelf,
  dogFactor: number,
  ears: EarsWorked = {},
) =>
  visitNeeds(
    PRODUCT_PARTS.filter((part) => partsOf(contents).includes(part)),
    facts,
    plan,
    shelf.products,
    dogFactor,
    { conditionerDue: isConditionerDue(due), ears },
  );

/** What its bath takes, whatever else the visit contains. */
export const needsOfBath = (planned: PlannedBath, shelf: Shelf, dogFactor: number) =>
  needsOfVisit({ kind: 'as agreed', agreed: { name: '', parts: ['bath'] } }, planned, shelf, dogFactor);

/** On its own interval, whether that is up; where nobody asked what is due, it is. */
const isConditionerDue = (due: readonly DueLine[] | undefined): boolean => {
  const state = due?.find(({ line }) => line.task === 'conditioner')?.state;
  return state !== 'not yet';
};

export const bathOf = (planned: PlannedBath, shelf: Shelf): ChosenBath =>
  chosenBath(needsOfBath(planned, shelf, 1).bath, planned.plan);

/** The mixes of one dog's bath: washes, mild face wash, conditioner, as far as house, dog and vet ask for them. */
export function mixesFor(planned: PlannedBath, business: StockedBusiness, dogFactor: number): MixView[] {
  return needsOfBath(planned, business, dogFactor).needs.map((need) => mixView(need, planned, business, dogFactor));
}

function mixView(
  { product, ml, wash1, wash2, tasks }: Need<StockedProduct>,
  { facts, plan }: PlannedBath,
  business: StockedBusiness,
  dogFactor: number,
): MixView {
  const { dilution: _, strokeMl, row: __, ...rest } = product;
  const mix = bathMix(
    ml,
    product,
    business.shelved.map(({ bottle }) => bottle),
    strokeMl === null ? null : millilitres(strokeMl),
    mostWaste(business.ways),
  );
  const given = plan.bathProduct?.productId === product.id ? plan.bathProduct : null;
  return {
    product: { ...rest, strength: strengthWords(product) },
    mix: mixCard(mix),
    strokeMl,
    tasks: [...tasks],
    note: given ? `${given.who}${given.nothingElse ? ': nothing else on the skin' : ''}` : '',
    working: { area: surfaceArea(facts.weight), wash1, wash2, factor: dogFactor, reserve: RESERVE },
  };
}

import type { BusinessView, DogProfile, ProductView, VisitView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import type { Catalogue } from '@dewpond/core/catalogue';
import { rangeFrom, strengthOf, type Product } from '@dewpond/core/dilution';
import { describeDog, factsAsSeen } from '@dewpond/core/dog';
import { handlingMarks } from '@dewpond/core/handling';
import { PRODUCT_PARTS, visitNeeds } from '@dewpond/core/needs';
import { minutes, type Day, type UnitSystem } from '@dewpond/core/units';
import { chosenBath } from '@dewpond/core/visit';

/** A dog that is not in the book, with what one sees, and its owner as far as one knows. */
export interface SeenDog {
  readonly dogId: string;
  readonly profile: DogProfile;
  readonly owner: { readonly name: string; readonly phones: readonly string[] };
}

const productOf = ({ waterParts, range, contact, ...its }: ProductView): Product => ({
  ...its,
  contact: contact && { least: minutes(contact.least), most: minutes(contact.most) },
  dilution:
    waterParts === null
      ? { kind: 'ready to use' }
      : { kind: 'dilute', strength: strengthOf(waterParts), ...(range ? { range: rangeFrom(range) } : {}) },
});

/**
 * The first visit of a dog that is not in the book yet, as the server would prepare it: with no history, and without the
 * mixes, which the server reckons once it knows the dog.
 */
export function newDogVisit(
  id: string,
  { dogId, profile, owner }: SeenDog,
  business: BusinessView,
  {
    day,
    now,
    units,
    catalogue,
  }: { readonly day: Day; readonly now: number; readonly units: UnitSystem; readonly catalogue: Catalogue },
): VisitView {
  const facts = factsAsSeen(profile, business, day, catalogue);
  const plan = makePlan(facts);
  const products = business.products.filter(({ archivedOn }) => archivedOn === null).map(productOf);
  const { bath } = visitNeeds(PRODUCT_PARTS, facts, plan, products, 1, { conditionerDue: true, ears: {} });
  const { shown, contactMinutes, contactMost } = chosenBath(bath, plan);
  return {
    id,
    dog: {
      id: dogId,
      name: profile.name,
      words: describeDog(facts, profile, units, catalogue),
      handling: handlingMarks(profile.handling, profile.canStandThroughBath),
      weightKg: facts.weight,
    },
    owner: { name: owner.name, phones: [...owner.phones] },
    appointmentId: null,
    kind: 'full visit',
    agreed: null,
    day,
    facts,
    contactMinutes,
    contactMost,
    minutesFactor: {},
    style: profile.style,
    tools: {},
    photos: [],
    bath: shown,
    atTheDoor: { booking: '', dog: profile.note, ownerSaid: null, closing: null },
    mixes: [],
    openMixes: [],
    lastTime: null,
    askAgain: [],
    referred: [],
    shownBefore: [],
    lastAnswers: {},
    events: [],
    fromLost: null,
    serverNow: now,
  };
}

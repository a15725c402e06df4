import type { BusinessView } from '@dewpond/contract';
import { KG_PER_POUND, type UnitSystem } from '@dewpond/core/units';
import {
  ALL_HOUSE_QUESTIONS,
  ALL_SERVICES,
  HOUSE_QUESTIONS,
  serviceOf,
  type BusinessDoes,
  type HouseQuestion,
  type BusinessServices,
  type HouseWays,
  type ServiceKey,
} from '@dewpond/core/ways';

/** A weight that one lifts, in whole pounds or kilograms. */
export const showLift = (kg: number, units: UnitSystem): string =>
  units === 'US' ? `${Math.round(kg / KG_PER_POUND)} lb` : `${kg} kg`;

type Plain = Pick<BusinessView, 'units' | 'currency' | 'liftAloneKg'>;

/** What a business chooses, one field a choice: two people who choose two things do not meet. */
export type WayChoices = Plain & {
  readonly [Question in HouseQuestion as `way ${Question}`]: HouseWays[Question];
} & {
  readonly [Service in ServiceKey as `does ${Service}`]: BusinessDoes;
};

export const choicesOf = ({ ways, services, units, currency, liftAloneKg }: BusinessView): WayChoices =>
  ({
    ...Object.fromEntries(ALL_HOUSE_QUESTIONS.map((question) => [`way ${question}`, ways[question]])),
    ...Object.fromEntries(ALL_SERVICES.map((service) => [`does ${service}`, services[service]])),
    units,
    currency,
    liftAloneKg,
  }) as WayChoices;

export const businessOf = (choices: WayChoices): Pick<BusinessView, 'ways' | 'services'> & Plain => ({
  ways: Object.fromEntries(
    ALL_HOUSE_QUESTIONS.map((question) => [question, choices[`way ${question}`]]),
  ) as unknown as HouseWays,
  services: Object.fromEntries(
    ALL_SERVICES.map((service) => [service, choices[`does ${service}`]]),
  ) as unknown as BusinessServices,
  units: choices.units,
  currency: choices.currency,
  liftAloneKg: choices.liftAloneKg,
});

export const CHOICE_NAMES = {
  units: 'Units of the business',
  currency: 'Currency',
  liftAloneKg: 'One lifts up to',
  ...Object.fromEntries(ALL_HOUSE_QUESTIONS.map((question) => [`way ${question}`, HOUSE_QUESTIONS[question].asks])),
  ...Object.fromEntries(ALL_SERVICES.map((service) => [`does ${service}`, serviceOf(service).name])),
} as Readonly<Record<keyof WayChoices, string>>;

/** A choice as one reads it. */
export function showChoice(field: keyof WayChoices, choices: WayChoices): string {
  if (field === 'liftAloneKg') return showLift(choices.liftAloneKg, choices.units);
  const question = ALL_HOUSE_QUESTIONS.find((each) => field === `way ${each}`);
  const schools: readonly { readonly id: string; readonly words: string }[] = question
    ? HOUSE_QUESTIONS[question].schools
    : [];
  return schools.find(({ id }) => id === choices[field])?.words ?? choices[field];
}

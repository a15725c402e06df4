import type { BusinessView } from '@dewpond/contract';
import type { BodyWash } from '@dewpond/core/dilution';
import { WASH_TABLE } from '@dewpond/core/needs';
import type { Interval } from '@dewpond/core/rhythm';
import { INTERVAL_ROWS } from '@dewpond/core/rules';
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

type Plain = Pick<BusinessView, 'units' | 'currency' | 'liftAloneKg' | 'mixPerSquareMetre' | 'visitKinds'>;

/** A line of the table of washes as it ships, or another kind of wash. */
export type WashChoice = BodyWash | typeof AS_SHIPPED;
export const AS_SHIPPED = 'as shipped';

/** Days of a row of the rules as it ships, or the business's own. */
export type DaysChoice = Interval | typeof AS_SHIPPED;
export const daysOf = (choice: DaysChoice | undefined): Interval | null =>
  choice === undefined || choice === AS_SHIPPED ? null : choice;

/** For how many dogs of the book a line decides. */
export const dogsWords = (count: number): string => (count === 1 ? '1 dog' : `${count} dogs`);

/** What a business chooses, one field a choice: two people who choose two things do not meet. */
export type WayChoices = Plain & {
  readonly [Question in HouseQuestion as `way ${Question}`]: HouseWays[Question];
} & {
  readonly [Service in ServiceKey as `does ${Service}`]: BusinessDoes;
} & {
  readonly [Row in `wash ${string}`]: WashChoice;
} & {
  readonly [Row in `every ${string}`]: DaysChoice;
};

/** A change of one choice, whose value the screen knows to fit. */
export const oneChoice = (field: keyof WayChoices, value: WayChoices[keyof WayChoices]): Partial<WayChoices> =>
  ({ [field]: value }) as unknown as Partial<WayChoices>;

export const choicesOf = ({ ways, services, washKinds, intervals, ...plain }: BusinessView): WayChoices =>
  ({
    ...Object.fromEntries(ALL_HOUSE_QUESTIONS.map((question) => [`way ${question}`, ways[question]])),
    ...Object.fromEntries(ALL_SERVICES.map((service) => [`does ${service}`, services[service]])),
    ...Object.fromEntries(WASH_TABLE.map(({ id }) => [`wash ${id}`, washKinds[id] ?? AS_SHIPPED])),
    ...Object.fromEntries(INTERVAL_ROWS.map(({ id }) => [`every ${id}`, intervals[id] ?? AS_SHIPPED])),
    units: plain.units,
    currency: plain.currency,
    liftAloneKg: plain.liftAloneKg,
    mixPerSquareMetre: plain.mixPerSquareMetre,
    visitKinds: plain.visitKinds,
  }) as WayChoices;

export const businessOf = (
  choices: WayChoices,
): Pick<BusinessView, 'ways' | 'services' | 'washKinds' | 'intervals'> & Plain => ({
  ways: Object.fromEntries(
    ALL_HOUSE_QUESTIONS.map((question) => [question, choices[`way ${question}`]]),
  ) as unknown as HouseWays,
  services: Object.fromEntries(
    ALL_SERVICES.map((service) => [service, choices[`does ${service}`]]),
  ) as unknown as BusinessServices,
  washKinds: Object.fromEntries(
    WASH_TABLE.flatMap(({ id }) => {
      const kind = choices[`wash ${id}`];
      return kind === undefined || kind === AS_SHIPPED ? [] : [[id, kind]];
    }),
  ),
  intervals: Object.fromEntries(
    INTERVAL_ROWS.flatMap(({ id }) => {
      const set = daysOf(choices[`every ${id}`]);
      return set ? [[id, set]] : [];
    }),
  ),
  units: choices.units,
  currency: choices.currency,
  liftAloneKg: choices.liftAloneKg,
  mixPerSquareMetre: choices.mixPerSquareMetre,
  visitKinds: choices.visitKinds,
});

export const CHOICE_NAMES = {
  units: 'Units of the business',
  currency: 'Currency',
  liftAloneKg: 'One lifts up to',
  mixPerSquareMetre: 'Mix for the first wash',
  visitKinds: 'Kinds of visit',
  ...Object.fromEntries(WASH_TABLE.map(({ id }) => [`wash ${id}`, `Wash, ${id}`])),
  ...Object.fromEntries(INTERVAL_ROWS.map(({ id }) => [`every ${id}`, `How often, ${id}`])),
  ...Object.fromEntries(ALL_HOUSE_QUESTIONS.map((question) => [`way ${question}`, HOUSE_QUESTIONS[question].asks])),
  ...Object.fromEntries(ALL_SERVICES.map((service) => [`does ${service}`, serviceOf(service).name])),
} as Readonly<Record<keyof WayChoices, string>>;

/** "every 28 days (21–42)" */
export const showDays = (days: Interval | null): string =>
  days === null ? AS_SHIPPED : `every ${days.usual} days (${days.least}–${days.most})`;

/** A choice as one reads it. */
export function showChoice(field: keyof WayChoices, choices: WayChoices): string {
  if (field === 'liftAloneKg') return showLift(choices.liftAloneKg, choices.units);
  if (field === 'visitKinds') return choices.visitKinds.map(({ name }) => name).join(', ') || 'none';
  if (field === 'mixPerSquareMetre') return `${choices.mixPerSquareMetre} ml per m²`;
  if (field.startsWith('every ')) return showDays(daysOf(choices[field as `every ${string}`]));
  const question = ALL_HOUSE_QUESTIONS.find((each) => field === `way ${each}`);
  const schools: readonly { readonly id: string; readonly words: string }[] = question
    ? HOUSE_QUESTIONS[question].schools
    : [];
  const chosen = choices[field];
  const plain = typeof chosen === 'object' ? '' : String(chosen);
  return schools.find(({ id }) => id === chosen)?.words ?? plain;
}

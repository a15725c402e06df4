import { HANDLING, type Breed, type Handling } from '@dewpond/core/catalogue';
import { LANGUAGES } from '@dewpond/core/clients';
import { BODY_WASHES, CAUTIONS, type MixCaution } from '@dewpond/core/dilution';
import { isInterval, type HouseIntervals, type WashKinds } from '@dewpond/core/dog';
import { WASH_TABLE } from '@dewpond/core/needs';
import { ROLES, isDeed, type HouseRights } from '@dewpond/core/rights';
import { INTERVAL_ROWS } from '@dewpond/core/rules';
import {
  ALL_SERVICES,
  HOUSE_QUESTIONS,
  KEPT_KINDS,
  SERVICES,
  isRetention,
  type HouseQuestion,
  type BusinessServices,
  type HouseWays,
  type Retention,
} from '@dewpond/core/ways';
import type { BusinessWordings } from '@dewpond/core/wording';
import { z } from 'zod';
import { traits } from './clients';
import { first, oneOf, wordOf } from './values';
import type { Shape } from './shaped';

/** The answers that are known; a question that came later, or a school that is gone, has its default. */
export const WAYS: Shape<Partial<HouseWays>> = first(
  'the business’s ways',
  z.record(z.string(), z.unknown()).transform((stored) => {
    const questions = Object.keys(HOUSE_QUESTIONS) as HouseQuestion[];
    const known = questions.filter((question) =>
      HOUSE_QUESTIONS[question].schools.some(({ id }) => id === stored[question]),
    );
    return Object.fromEntries(known.map((question) => [question, stored[question]]));
  }),
);

/** For how long the house keeps what; a kind or a time that is gone is kept for good. */
export const RETENTION_CHOSEN: Shape<Retention> = first(
  'what is kept for how long',
  z.record(z.string(), z.number()).transform((stored) =>
    Object.fromEntries(
      KEPT_KINDS.flatMap((kind) => {
        const months = stored[kind];
        return months !== undefined && isRetention(kind, months) ? [[kind, months]] : [];
      }),
    ),
  ),
);

/** Who may what. A deed or a role that is gone is left out: it is as shipped. */
export const HOUSE_RIGHTS: Shape<HouseRights> = first(
  'who may what',
  z
    .record(z.string(), z.array(z.string()))
    .transform((stored) =>
      Object.fromEntries(
        Object.entries(stored).flatMap(([deed, who]) =>
          isDeed(deed) ? [[deed, ROLES.filter((role) => who.includes(role))]] : [],
        ),
      ),
    ),
);

export const BUSINESS_SERVICES: Shape<Partial<BusinessServices>> = first(
  'what the business does',
  z.record(z.string(), z.unknown()).transform((stored) => {
    const known = ALL_SERVICES.filter((service) => Object.hasOwn(SERVICES[service].means, String(stored[service])));
    return Object.fromEntries(known.map((service) => [service, stored[service]]));
  }),
);

/** Rows of the rules with days of the business's own; a row that is gone has its default. */
export const INTERVALS: Shape<HouseIntervals> = first(
  'how often',
  z
    .record(z.string(), z.object({ least: z.number(), usual: z.number(), most: z.number() }))
    .transform((stored) =>
      Object.fromEntries(
        Object.entries(stored).filter(([row, set]) => INTERVAL_ROWS.some(({ id }) => id === row) && isInterval(set)),
      ),
    ),
);

/** Lines of the table of washes that a business sees otherwise; a line or a kind that is gone has its default. */
export const WASH_KINDS: Shape<WashKinds> = first(
  'what washes what',
  z.record(z.string(), z.string()).transform((stored) => {
    const known = Object.entries(stored).filter(
      ([row, kind]) => WASH_TABLE.some(({ id }) => id === row) && BODY_WASHES.some((each) => each === kind),
    );
    return Object.fromEntries(known) as WashKinds;
  }),
);

/** Sentences of a business by language; one that today's Dewpond no longer says is kept and not used. */
export const WORDINGS: Shape<BusinessWordings> = first(
  'the business’s words',
  z.partialRecord(oneOf(LANGUAGES), z.record(z.string(), z.string())).transform((stored) => stored as BusinessWordings),
);

export const BREED: Shape<Breed> = first(
  'a breed of the business',
  z.object({
    id: z.string(),
    name: z.string(),
    alsoCalled: z.array(z.string()).default([]),
    weightKg: z.tuple([z.number(), z.number()]),
    traits,
    handling: z.array(oneOf(Object.keys(HANDLING) as Handling[])).default([]),
    parents: z.array(z.string()).default([]),
    why: z.string().nullable().default(null),
    earOdds: z.number().nullable().default(null),
  }),
);

export const STROKES: Shape<readonly number[]> = first('a pump’s strokes', z.array(z.number()));

/** A purpose a label gives a ratio of its own for. Exact fractions as text, "97/3". */
export interface Purpose {
  readonly purpose: string;
  readonly waterParts: string;
}
export const PURPOSES: Shape<readonly Purpose[]> = first(
  'a label’s purposes',
  z.array(z.object({ purpose: z.string(), waterParts: z.string() })),
);
/** The strongest and the weakest a label allows, exact fractions. */
export const RANGE: Shape<{ readonly strongest: string; readonly weakest: string }> = first(
  'a label’s range',
  z.object({ strongest: z.string(), weakest: z.string() }),
);
export const PRODUCT_CAUTIONS: Shape<readonly MixCaution[]> = first(
  'a product’s cautions',
  z.array(oneOf(Object.keys(CAUTIONS) as MixCaution[])),
);
export const INGREDIENTS: Shape<readonly string[]> = first('what a product lists', z.array(wordOf<string>()));

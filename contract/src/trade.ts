import { BODY_WASHES, CAUTIONS, PRODUCT_KINDS, type MixCaution } from '@dewpond/core/dilution';
import { LEVELS, PROCEDURES, CONDITIONS, type Condition, type Sign } from '@dewpond/core/findings';
import { SITES, type PlaceKey } from '@dewpond/core/places';
import { ALL_CHOICES, EAR_HAIR_REASONS, RANKS, type EarHairReason } from '@dewpond/core/reasons';
import { ALL_HOME_HOWS } from '@dewpond/core/rules';
import { STAGES, type Stage } from '@dewpond/core/steps';
import { ALL_TASKS } from '@dewpond/core/tasks';
import { ALL_SERVICES, HOUSE_QUESTIONS, type BusinessDoes, type HouseQuestion } from '@dewpond/core/ways';
import { z } from 'zod';

/* What the trade counts, as it stands in answers. Each list is the core's own: a new sign is in the contract by itself. */

const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => z.enum(Object.keys(table) as [K, ...K[]]);

export const task = z.enum(ALL_TASKS as [(typeof ALL_TASKS)[number]]);
/** A sign of a newer version is passed on: it bars its place until this version knows it. */
export const sign = z.string().max(60) as unknown as z.ZodType<Sign>;
export const condition = keysOf<Condition>(CONDITIONS);
export const procedure = z.enum(PROCEDURES);
export const level = z.enum(LEVELS);
export const stage = keysOf<Stage>(STAGES);
export const choice = z.enum(ALL_CHOICES as [(typeof ALL_CHOICES)[number]]);
export const earHairReason = keysOf<EarHairReason>(EAR_HAIR_REASONS);
export const homeHow = z.enum(ALL_HOME_HOWS as [(typeof ALL_HOME_HOWS)[number]]);
export const productKind = z.enum(PRODUCT_KINDS);
export const bodyWash = z.enum(BODY_WASHES);
export const caution = keysOf<MixCaution>(CAUTIONS);
export const houseQuestion = keysOf<HouseQuestion>(HOUSE_QUESTIONS);
export const service = z.enum(ALL_SERVICES as [(typeof ALL_SERVICES)[number]]);
export const does = z.enum(['done', 'outside only', 'vet'] satisfies BusinessDoes[]);
export const rank = z.enum(RANKS);
/** "ear/left" */
export const placeKey: z.ZodType<PlaceKey> = z.templateLiteral([
  z.enum(SITES as [(typeof SITES)[number]]),
  '/',
  z.enum(['none', 'left', 'right']),
]);

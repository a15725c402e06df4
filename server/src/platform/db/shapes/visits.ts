import { ALL_COLOURED, type ColourReading } from '@dewpond/core/colour';
import { FINDING_COLOURS, FINDING_SMELLS, type FindingDetails } from '@dewpond/core/findings';
import type { PlaceKey } from '@dewpond/core/places';
import {
  OUTCOMES,
  OWNERS_ANSWERS,
  TOLD_HOW,
  type OwnersAnswer,
  type ReferralEnd,
  type ToldOwner,
  type VetAnswer,
} from '@dewpond/core/referral';
import { ALL_SECTIONS, type SheetEdits } from '@dewpond/core/sheet';
import { ALL_PARTS, type AgreedVisit, type OwnVisitKind } from '@dewpond/core/steps';
import { ALL_SHOWN, type ShownToday } from '@dewpond/core/dog';
import { z } from 'zod';
import { day, first, oneOf, wordOf, words } from './values';
import type { Shape } from './shaped';

const section = oneOf(ALL_SECTIONS);
export const EDITS: Shape<SheetEdits> = first(
  'a hand on a sheet',
  z.object({
    lines: z.record(z.string(), z.object({ section, made: z.string(), words: z.string().nullable() })),
    added: z.array(z.object({ id: z.string(), section, words: z.string() })),
    photos: z.array(z.string()),
  }),
);

const personId = z.exactOptional(z.string());
export const TOLD: Shape<ToldOwner> = first(
  'how an owner was told',
  z.object({ how: oneOf(TOLD_HOW), on: day, by: z.string(), personId }),
);
export const ANSWER: Shape<OwnersAnswer> = first(
  'what an owner answered',
  z.object({ answer: oneOf(OWNERS_ANSWERS), words, on: day }),
);
export const VET_ANSWER: Shape<VetAnswer> = first(
  'what a vet said',
  z.object({ who: z.string(), words, on: day, instructionId: z.string().nullable().default(null) }),
);
export const END: Shape<ReferralEnd> = first(
  'how a referral ended',
  z.object({ outcome: oneOf(OUTCOMES), on: day, by: z.string(), personId }),
);

/** How a dog showed itself; what today's Dewpond does not know is left out. */
export const SHOWN_LIST: Shape<ShownToday[]> = first(
  'how a dog showed itself',
  z.array(z.string()).transform((stored) => ALL_SHOWN.filter((what) => stored.includes(what))),
);
/** Ids, each alone or after "end ". */
export const WORDS_WRITTEN: Shape<string[]> = first('words written into the book', z.array(z.string()));
export const LOOKED: Shape<PlaceKey[]> = first('places looked at', z.array(wordOf<PlaceKey>()));
export const SEEN: Shape<Readonly<Record<string, number>>> = first(
  'what a device had seen',
  z.record(z.string(), z.number()),
);
export const DETAILS: Shape<FindingDetails> = first(
  'a finding',
  z.object({
    colour: z.exactOptional(oneOf(FINDING_COLOURS)),
    smell: z.exactOptional(oneOf(FINDING_SMELLS)),
    mm: z.exactOptional(z.number()),
    known: z.exactOptional(z.boolean()),
    vetKnew: z.exactOptional(day),
    painful: z.exactOptional(z.boolean()),
    words: z.exactOptional(z.string()),
  }),
);

const lab = z.object({ l: z.number(), a: z.number(), b: z.number() });
export const COLOUR: Shape<ColourReading> = first(
  'a measured colour',
  z.object({ of: oneOf(ALL_COLOURED), lab, plusMinus: lab }),
);

/** Parts of a visit that are no more are left out. */
const parts = z.array(z.string()).transform((stored) => ALL_PARTS.filter((part) => stored.includes(part)));
export const AGREED: Shape<AgreedVisit> = first('what was agreed for a visit', z.object({ name: words, parts }));
export const VISIT_KINDS_STORED: Shape<readonly OwnVisitKind[]> = first(
  'kinds of visit',
  z.array(z.object({ id: z.string(), name: words, parts, minutes: z.number() })),
);

import { COMMON_PRACTICE } from '../provenance';
import { fact } from './conditions';
import { days, method, rowsOf } from './row';
import type { Rule } from './rule';

const heart = rowsOf('heart check', 'default', COMMON_PRACTICE);
const lump = rowsOf('lump check', 'default', COMMON_PRACTICE);
const ASKED = method('Asked about at handover; the owner says when it was.');

/** What a vet looks at again and again, besides the eyes. docs/trade.md: looks of a vet. */
export const VET_LOOK_RULES: readonly Rule[] = [
  heart(
    'known heart',
    fact('a heart condition', (dog) => dog.fitness.heart),
    'a heart that is known is listened to twice a year',
    days(182, 90, 220),
    ASKED,
  ),
  lump(
    'watched',
    fact('a lump that a vet knows', (dog) => dog.known.some(({ sign }) => sign.startsWith('lump'))),
    'a lump that is watched is felt by a vet now and then',
    days(182, 60, 220),
    ASKED,
  ),
];

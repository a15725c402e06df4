import type { Task } from '../tasks';

interface HomeUse {
  readonly name: string;
  /** Where on the dog it can be for; null: the whole dog. */
  readonly at: 'ear' | 'eye' | 'fold' | null;
  /** The work that it matters to. */
  readonly task: Task;
  /** What follows for that work. */
  readonly follows: string;
  /** What to ask a vet; null: nothing. */
  readonly asksVet: string | null;
}

/**
 * What a dog gets and what owners use at home, each with what follows for the plan. docs/trade.md: what decides the plan,
 * eyes and face, between visits. Common practice, no source.
 */
export const USES = {
  'eye drops': {
    name: 'Eye drops',
    at: 'eye',
    task: 'eyes and face',
    follows:
      'Gets eye drops: ask when last, and whether to give them again after the bath. Given today: plain water only.',
    asksVet: null,
  },
  'eye ointment': {
    name: 'Eye ointment',
    at: 'eye',
    task: 'eyes and face',
    follows: 'Gets eye ointment: ask when last. Given today: plain water only around that eye.',
    asksVet: null,
  },
  'ear drops': {
    name: 'Ear drops',
    at: 'ear',
    task: 'ear cleaning',
    follows: 'Gets ear drops: given today, nothing goes in. Never together with a cleaner unless the vet says so.',
    asksVet: 'whether the ear is to be cleaned at all while it gets drops, and with what.',
  },
  'ear cleaner': {
    name: 'Ear cleaner at home',
    at: 'ear',
    task: 'ear cleaning',
    follows: 'Its ears are cleaned at home, too: ask when last. Twice in a few days dries the skin.',
    asksVet: null,
  },
  powder: {
    name: 'Powder',
    at: 'fold',
    task: 'fold care',
    follows: 'Powder at home: old powder out first, and not together with balm. Away from eye and nostril.',
    asksVet: null,
  },
  wipes: {
    name: 'Wipes',
    at: null,
    task: 'eyes and face',
    follows: 'Wiped at home: ask with what. Plain and unscented; nothing with spirit near eyes or folds.',
    asksVet: null,
  },
  'stain liquid': {
    name: 'Liquid against stains',
    at: null,
    task: 'eyes and face',
    follows: 'Liquid against stains at home: read its label. A caustic one never comes near an eye.',
    asksVet: 'whether the liquid against stains may be used at all.',
  },
  chews: {
    name: 'Chews or food against stains',
    at: null,
    task: 'eyes and face',
    follows: 'Chews against stains: ask whether its vet knows.',
    asksVet: 'whether the chews against stains suit this dog.',
  },
  'by mouth': {
    name: 'Something to swallow from its vet',
    at: null,
    task: 'bath',
    follows: 'Swallows something from its vet: ask what for. For its skin: only the wash the vet agrees with.',
    asksVet: 'which wash goes with it, where it is for the skin.',
  },
  diet: {
    name: 'A diet',
    at: null,
    task: 'nails',
    follows: 'On a diet: no treat but its own.',
    asksVet: null,
  },
  shampoo: {
    name: 'Shampoo at home',
    at: null,
    task: 'bath',
    follows: 'Bathed at home, too: ask when last, and with what. Too many baths dry the skin.',
    asksVet: null,
  },
  conditioner: {
    name: 'Conditioner or spray at home',
    at: null,
    task: 'brush-out',
    follows: 'Conditioner at home: what is left in the coat greases and mats.',
    asksVet: null,
  },
} as const satisfies Record<string, HomeUse>;
export type UseKind = keyof typeof USES;
export const USE_KINDS = Object.keys(USES) as [UseKind, ...UseKind[]];

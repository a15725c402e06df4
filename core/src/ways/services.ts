/** What a business may do with each piece of work: all of it, only what lies outside, or none: that is a vet's. */
export const BUSINESS_DOES = ['done', 'outside only', 'vet'] as const;
export type BusinessDoes = (typeof BUSINESS_DOES)[number];

interface Service {
  readonly name: string;
  /** What each choice means here; a choice left out is not offered. */
  readonly means: Readonly<Partial<Record<BusinessDoes, string>>>;
  readonly usual: BusinessDoes;
  readonly warns?: string;
}

/** What this business does at all, by place and law. Local codes come first; where one forbids, choose "vet". */
export const SERVICES = {
  'ear hair': {
    name: 'Hair in the ear canal',
    means: {
      done: 'plucked as the plan decides',
      'outside only': 'trimmed outside, never plucked',
      vet: 'left to vets',
    },
    usual: 'done',
    warns: 'In some places the law keeps plucking for vets.',
  },
  'ear cleaning': {
    name: 'Cleaning ears',
    means: {
      done: 'cleaner and pads, as deep as the eye sees',
      'outside only': 'flap wiped, nothing poured',
      vet: 'looked at, not cleaned',
    },
    usual: 'done',
  },
  ticks: {
    name: 'Ticks',
    means: { done: 'taken off with a tick hook', vet: 'shown to the owner, left on' },
    usual: 'vet',
    warns: 'A tick pulled off in parts stays in the skin.',
  },
  teeth: {
    name: 'Brushing teeth',
    means: { done: 'brush and paste', 'outside only': 'outer sides, front teeth', vet: 'not here' },
    usual: 'outside only',
  },
  'tooth gel': {
    name: 'Tooth gel',
    means: { done: 'put on when the owner agrees', vet: 'not here' },
    usual: 'done',
  },
  'grown-in dewclaw': {
    name: 'Dewclaw curled against the skin',
    means: { done: 'clipped while it only touches', vet: 'left to vets' },
    usual: 'done',
    warns: 'One that has grown in is always for a vet.',
  },
  'shave-down': {
    name: 'Matted to the skin',
    means: { done: 'shaved, with the owner’s word', vet: 'sent to a vet' },
    usual: 'done',
    warns: 'A coat matted all over may hide wounds; some dogs need a vet for it.',
  },
  'vet’s wash': {
    name: 'Medicated baths',
    means: { done: 'with the vet’s own instruction', vet: 'not here' },
    usual: 'done',
  },
} as const satisfies Record<string, Service>;

export type ServiceKey = keyof typeof SERVICES;
export const ALL_SERVICES = Object.keys(SERVICES) as readonly ServiceKey[];
export type BusinessServices = Readonly<Record<ServiceKey, BusinessDoes>>;

export const serviceOf = (key: ServiceKey): Service => SERVICES[key];
export const DEFAULT_SERVICES = Object.fromEntries(
  ALL_SERVICES.map((key) => [key, SERVICES[key].usual]),
) as BusinessServices;

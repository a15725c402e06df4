import type { DogProfileInput, MemberView } from '@dewpond/contract';
import type { ClientCard } from '@dewpond/core/clients';
import type { HouseWays } from '@dewpond/core/careplan';
import type { Finding } from '@dewpond/core/findings';
import type { PlaceKey } from '@dewpond/core/places';
import type { VisitKind } from '@dewpond/core/visit';

/** The invented demo world: no real people, brands or places. */

export const DEMO_PASSWORD = 'reeds-and-chalk';

export interface DemoPerson {
  readonly name: string;
  readonly email: string;
  readonly role: MemberView['role'];
}

export interface DemoDog {
  readonly owner: {
    readonly name: string;
    readonly phone: string;
    readonly email: string;
    readonly more?: Partial<ClientCard>;
  };
  readonly profile: DogProfileInput & { readonly ageYears: number };
  /** True days until a place is plainly dirty; places left out take 110. The learning should find them again. */
  readonly hidden: Readonly<Partial<Record<PlaceKey, number>>>;
  readonly everyDays: number;
  readonly visits: number;
  readonly lastVisitDaysAgo: number;
  /** Found at the last visit, besides the drawn dirt. */
  readonly lastFound?: readonly Finding[];
  /** How much more or less mix it takes than reckoned. */
  readonly thirst?: number;
  /** Prescribed wash: which product, from how many days ago until how many days ahead. */
  readonly prescribed?: {
    readonly who: string;
    readonly product: string;
    readonly contactMinutes: number;
    readonly since: number;
    readonly until: number;
  };
  readonly today?: {
    readonly at: string;
    readonly person: number;
    readonly minutes: number;
    readonly kind: VisitKind;
  };
  /** Booked so many days ahead. */
  readonly booked?: { readonly inDays: number; readonly at: string; readonly person: number; readonly minutes: number };
}

export interface DemoProduct {
  readonly name: string;
  readonly kind: 'cleansing' | 'face' | 'medicated' | 'ear cleaner';
  readonly label: string;
  readonly waterParts: string | null;
  readonly contactLeast?: number;
  readonly suppliedBy: 'house' | 'vet';
  readonly costPerMl: number;
  readonly strokeMl: number | null;
}

export interface DemoBusiness {
  readonly name: string;
  readonly slug: string;
  readonly ways: Partial<HouseWays>;
  readonly people: readonly DemoPerson[];
  readonly products: readonly DemoProduct[];
  readonly bottles: readonly {
    readonly name: string;
    readonly brim: number;
    readonly line: number;
    readonly graduation: number | null;
  }[];
  readonly dogs: readonly DemoDog[];
}

const owner = (name: string, phone: string, more: Partial<ClientCard> = {}) => ({
  name,
  phone,
  more,
  email: `${name.split(' ')[0]?.toLowerCase() ?? 'owner'}@thornmere.example`,
});
const LEFT_EAR = { site: 'ear', side: 'left' } as const;

const PRODUCTS: readonly DemoProduct[] = [
  {
    name: 'Deep clean concentrate',
    kind: 'cleansing',
    label: '24:1',
    waterParts: '24',
    suppliedBy: 'house',
    costPerMl: 0.031,
    strokeMl: 5,
  },
  {
    name: 'Mild face wash',
    kind: 'face',
    label: 'Ready to use',
    waterParts: null,
    suppliedBy: 'house',
    costPerMl: 0.018,
    strokeMl: null,
  },
  {
    name: 'Vet-supplied antiseptic wash',
    kind: 'medicated',
    label: '9:1',
    waterParts: '9',
    contactLeast: 10,
    suppliedBy: 'vet',
    costPerMl: 0.09,
    strokeMl: 2,
  },
];

const BOTTLES = [
  { name: 'Small bottle', brim: 280, line: 250, graduation: 25 },
  { name: 'Half-litre bottle', brim: 550, line: 500, graduation: 50 },
  { name: 'Litre bottle', brim: 1080, line: 1000, graduation: 50 },
  { name: 'Two-litre jug', brim: 2200, line: 2000, graduation: 100 },
] as const;

export const DEMO_BUSINESSES: readonly DemoBusiness[] = [
  {
    name: 'Withy Quay Grooming',
    slug: 'withy-quay',
    ways: { earHair: 'staged' },
    people: [
      { name: 'Ines Castellan', email: 'ines@withyquay.example', role: 'manager' },
      { name: 'Tomasz Wrona', email: 'tomasz@withyquay.example', role: 'groomer' },
      { name: 'Aroha Pene', email: 'aroha@withyquay.example', role: 'groomer' },
      { name: 'Bilal Siddiq', email: 'bilal@withyquay.example', role: 'bather' },
    ],
    products: PRODUCTS,
    bottles: BOTTLES,
    dogs: [
      {
        owner: owner('Folake Adeyemi', '01632 960114'),
        profile: {
          name: 'Teasel',
          ageYears: 6,
          breeds: ['lagotto', 'poodle-miniature'],
          weightKg: 14.2,
          sex: 'bitch',
          handling: ['Minds front feet', 'Own towel'],
          pluckingConsent: true,
          seen: { tearing: 'none', folds: { lip: 'light' } },
          grassSeedMonths: [6, 7, 8],
          tearingSeenByVet: true,
        },
        hidden: {
          'ear/left': 17,
          'ear/right': 34,
          'eye/left': 45,
          'eye/right': 45,
          'fold lip/left': 95,
          'fold lip/right': 95,
        },
        everyDays: 28,
        visits: 9,
        lastVisitDaysAgo: 24,
        thirst: 1.15,
        today: { at: '09:10', person: 1, minutes: 150, kind: 'full visit' },
      },
      {
        owner: owner('Marek Solberg', '01632 960127'),
        profile: {
          name: 'Umber',
          ageYears: 13,
          breeds: ['golden'],
          weightKg: 31.5,
          sex: 'dog',
          canStandThroughBath: false,
          handling: ['Stiff hips: two to lift', 'No blower'],
        },
        hidden: { 'ear/left': 40, 'ear/right': 44 },
        everyDays: 42,
        visits: 7,
        lastVisitDaysAgo: 43,
        today: { at: '08:30', person: 2, minutes: 120, kind: 'full visit' },
      },
      {
        owner: owner('Priya Raman', '01632 960139'),
        profile: {
          name: 'Barley',
          ageYears: 4,
          breeds: ['cocker'],
          weightKg: 13.4,
          sex: 'dog',
          handling: ['Dryer: fine'],
          swims: true,
        },
        hidden: { 'ear/left': 26, 'ear/right': 28, 'eye/left': 30, 'eye/right': 30 },
        everyDays: 33,
        visits: 8,
        lastVisitDaysAgo: 33,
        today: { at: '11:00', person: 2, minutes: 120, kind: 'full visit' },
      },
      {
        owner: owner('Henrik Dahlby', '01632 960142'),
        profile: {
          name: 'Sorrel',
          ageYears: 7,
          breeds: ['shih-tzu'],
          weightKg: 6.1,
          sex: 'bitch',
          skin: 'under treatment',
          handling: ['Helper for the face'],
          tearingSeenByVet: true,
        },
        hidden: { 'eye/left': 16, 'eye/right': 15, 'fold nose/none': 60 },
        everyDays: 21,
        visits: 10,
        lastVisitDaysAgo: 20,
        prescribed: {
          who: 'Dr Oyelaran, Harbour Vets',
          product: 'Vet-supplied antiseptic wash',
          contactMinutes: 10,
          since: 30,
          until: 60,
        },
        today: { at: '12:00', person: 1, minutes: 120, kind: 'full visit' },
      },
      {
        owner: owner('Lucía Ferrant', '01632 960155'),
        profile: {
          name: 'Dumpling',
          ageYears: 5,
          breeds: ['english-bulldog'],
          weightKg: 24.5,
          sex: 'dog',
          handling: ['Harness only', 'Cool air'],
          tearingSeenByVet: true,
        },
        hidden: { 'fold nose/none': 44, 'fold pocket/left': 26, 'fold pocket/right': 70, 'fold tail/none': 90 },
        everyDays: 25,
        visits: 9,
        lastVisitDaysAgo: 26,
        today: { at: '13:30', person: 2, minutes: 105, kind: 'full visit' },
      },
      {
        owner: owner('Wen Halloran', '01632 960168'),
        profile: {
          name: 'Plover',
          ageYears: 3,
          breeds: ['whippet'],
          weightKg: 12.1,
          sex: 'bitch',
          handling: ['Chills quickly'],
        },
        hidden: {},
        everyDays: 49,
        visits: 5,
        lastVisitDaysAgo: 51,
        today: { at: '14:30', person: 1, minutes: 75, kind: 'bath only' },
      },
      {
        owner: owner('Amara Nwosu', '01632 960171'),
        profile: {
          name: 'Radish',
          ageYears: 6,
          breeds: ['pug'],
          weightKg: 8.2,
          sex: 'dog',
          handling: ['No neck loop'],
          tearingSeenByVet: false,
        },
        hidden: { 'eye/left': 24, 'eye/right': 22, 'fold nose/none': 60 },
        everyDays: 28,
        visits: 7,
        lastVisitDaysAgo: 9,
        lastFound: [{ place: { site: 'eye', side: 'right' }, sign: 'eye coloured discharge', grade: 1, answer: null }],
        booked: { inDays: 3, at: '10:00', person: 1, minutes: 90 },
      },
      {
        owner: owner('Tove Lindqvist', '01632 960184'),
        profile: {
          name: 'Bramble',
          ageYears: 8,
          breeds: ['miniature-schnauzer'],
          weightKg: 7.4,
          sex: 'bitch',
          pluckingConsent: true,
          nailsOvergrown: true,
          handling: ['Treats help'],
        },
        hidden: { 'ear/left': 24, 'ear/right': 33 },
        everyDays: 35,
        visits: 7,
        lastVisitDaysAgo: 14,
        lastFound: [{ place: LEFT_EAR, sign: 'ear musty smell', grade: 1, answer: null }],
      },
    ],
  },
  {
    name: 'Saltmarsh Mobile Dogs',
    slug: 'saltmarsh',
    ways: {},
    people: [{ name: 'Jonah Achterberg', email: 'jonah@saltmarsh.example', role: 'manager' }],
    products: PRODUCTS,
    bottles: BOTTLES.slice(0, 3),
    dogs: [
      {
        owner: owner('Sefa Tui', '01632 960199'),
        profile: { name: 'Otter', ageYears: 2, breeds: ['border-collie'], weightKg: 17.3, sex: 'dog', handling: [] },
        hidden: {},
        everyDays: 42,
        visits: 4,
        lastVisitDaysAgo: 30,
        booked: { inDays: 5, at: '10:30', person: 0, minutes: 120 },
      },
    ],
  },
];

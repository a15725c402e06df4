import { plainWords, type Address, type ClientCard, type Consent } from '@dewpond/core/clients';
import { day } from '@dewpond/core/units';
import { BOTTLES, PRODUCTS } from './shelf';
import type { DemoBusiness } from './shape';

/** The invented demo world: no real people, brands or places. */

export const DEMO_PASSWORD = 'reeds-and-chalk';

const owner = (name: string, phone: string, more: Partial<ClientCard> = {}) => ({
  name,
  phone,
  more,
  email: `${plainWords(name.split(' ')[0] ?? 'owner')}@thornmere.example`,
});
const at = (street: string, postcode: string, latitude: number, longitude: number): Address => ({
  street,
  town: 'Thornmere',
  postcode,
  coordinates: { latitude, longitude },
});
const agreed = (on: string, consents: readonly Consent[]): ClientCard['consents'] =>
  Object.fromEntries(consents.map((consent) => [consent, { yes: true, on: day(on) }]));
const LEFT_EAR = { site: 'ear', side: 'left' } as const;

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
    vets: [
      { name: 'Dr Oyelaran', practice: 'Harbour Vets', phone: '01632 960200', address: '1 Harbour Steps, Thornmere' },
      {
        name: 'Dr Kealoha',
        practice: 'Chalk Hill eye clinic',
        phone: '01632 960206',
        address: '30 Chalk Hill, Thornmere',
      },
    ],
    dogs: [
      {
        owner: owner('Folake Adeyemi', '01632 960114', {
          phones: [
            { number: '01632 960114', whose: 'own' },
            { number: '07700 900114', whose: 'partner Kunle' },
          ],
          prefers: 'text message',
          address: at('3 Slip Row', 'TM1 2AB', 50.3312, -4.1187),
          consents: agreed('2025-10-04', ['plucking', 'photos', 'messages', 'vet contact']),
          note: 'Side gate; rings back after six.',
        }),
        weights: [
          [400, 13.1],
          [280, 13.6],
          [170, 13.9],
          [80, 14.4],
        ],
        vet: 'Dr Oyelaran',
        profile: {
          name: 'Teasel',
          ageYears: 6,
          breeds: ['lagotto', 'poodle-miniature'],
          weightKg: 14.2,
          sex: 'bitch',
          handling: { minds: ['front feet'], marks: ['Own towel'] },
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
        owner: owner('Marek Solberg', '01632 960127', { address: at('Reed Bank Farm', 'TM4 7RB', 50.3571, -4.1602) }),
        weights: [
          [340, 33.8],
          [200, 32.9],
          [90, 32.1],
        ],
        vet: 'Dr Oyelaran',
        profile: {
          name: 'Umber',
          ageYears: 13,
          breeds: ['golden'],
          weightKg: 31.5,
          sex: 'dog',
          canStandThroughBath: false,
          handling: { dryer: 'low and from afar', hearing: 'hears poorly', marks: ['Stiff hips'] },
        },
        hidden: { 'ear/left': 40, 'ear/right': 44 },
        everyDays: 42,
        visits: 7,
        lastVisitDaysAgo: 43,
        today: { at: '08:30', person: 2, minutes: 120, kind: 'full visit' },
      },
      {
        owner: owner('Priya Raman', '01632 960139', {
          address: at('12 Boathouse Lane', 'TM1 5QH', 50.3298, -4.1223),
          consents: agreed('2026-02-11', ['photos', 'messages']),
        }),
        profile: {
          name: 'Barley',
          ageYears: 4,
          breeds: ['cocker'],
          weightKg: 13.4,
          sex: 'dog',
          handling: {},
          swims: true,
        },
        hidden: { 'ear/left': 26, 'ear/right': 28, 'eye/left': 30, 'eye/right': 30 },
        everyDays: 33,
        visits: 8,
        lastVisitDaysAgo: 33,
        today: { at: '11:00', person: 2, minutes: 120, kind: 'full visit' },
      },
      {
        owner: owner('Henrik Dahlby', '01632 960142', {
          address: at('40 Quay Street', 'TM1 1AA', 50.3305, -4.1201),
          consents: agreed('2026-06-20', ['vet contact', 'photos']),
        }),
        vet: 'Dr Oyelaran',
        profile: {
          name: 'Sorrel',
          ageYears: 7,
          breeds: ['shih-tzu'],
          weightKg: 6.1,
          sex: 'bitch',
          skin: 'under treatment',
          handling: { minds: ['eyes and face'], helper: 'helper for what it minds' },
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
        owner: owner('Lucía Ferrant', '01632 960155', {
          prefers: 'call',
          address: at('7 Withy Close', 'TM2 3CD', 50.3349, -4.131),
        }),
        profile: {
          name: 'Dumpling',
          ageYears: 5,
          breeds: ['english-bulldog'],
          weightKg: 24.5,
          sex: 'dog',
          handling: { tether: 'harness', bestTime: 'morning', marks: ['Cool air'] },
          tearingSeenByVet: true,
        },
        hidden: { 'fold nose/none': 44, 'fold pocket/left': 26, 'fold pocket/right': 70, 'fold tail/none': 90 },
        everyDays: 25,
        visits: 9,
        lastVisitDaysAgo: 26,
        today: { at: '13:30', person: 2, minutes: 105, kind: 'full visit' },
      },
      {
        owner: owner('Wen Halloran', '01632 960168', { address: at('5 Withy Close', 'TM2 3CD', 50.3347, -4.1308) }),
        profile: {
          name: 'Plover',
          ageYears: 3,
          breeds: ['whippet'],
          weightKg: 12.1,
          sex: 'bitch',
          handling: { marks: ['Chills quickly'] },
        },
        hidden: {},
        everyDays: 49,
        visits: 5,
        lastVisitDaysAgo: 51,
        today: { at: '14:30', person: 1, minutes: 75, kind: 'bath only' },
      },
      {
        owner: owner('Amara Nwosu', '01632 960171', { address: at('21 Saltpan Road', 'TM3 6EF', 50.3402, -4.1099) }),
        vet: 'Dr Kealoha',
        profile: {
          name: 'Radish',
          ageYears: 6,
          breeds: ['pug'],
          weightKg: 8.2,
          sex: 'dog',
          handling: { tether: 'harness' },
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
        owner: owner('Tove Lindqvist', '01632 960184', {
          address: at('2 Chalk Hill', 'TM2 8GH', 50.3388, -4.1405),
          consents: agreed('2025-12-01', ['plucking', 'messages']),
        }),
        profile: {
          name: 'Bramble',
          ageYears: 8,
          breeds: ['miniature-schnauzer'],
          weightKg: 7.4,
          sex: 'bitch',
          pluckingConsent: true,
          nailsOvergrown: true,
          handling: { marks: ['Treats help'] },
        },
        hidden: { 'ear/left': 24, 'ear/right': 33 },
        everyDays: 35,
        visits: 7,
        lastVisitDaysAgo: 14,
        lastFound: [{ place: LEFT_EAR, sign: 'ear musty smell', grade: 1, answer: null }],
      },
      {
        owner: owner('Sanna Okoye', '01632 960190', { address: at('9 Slip Row', 'TM1 2AB', 50.3314, -4.1184) }),
        profile: {
          name: 'Pocket',
          ageYears: 0,
          breeds: ['cocker', 'poodle-miniature'],
          weightKg: 4.6,
          sex: 'bitch',
          handling: { minds: ['the dryer', 'nail clippers', 'being left'] },
        },
        hidden: {},
        everyDays: 28,
        visits: 0,
        lastVisitDaysAgo: 0,
        weights: [
          [30, 3.9],
          [9, 4.4],
        ],
        lessons: [
          ['table', 'easy', 24],
          ['touch', 'easy', 17],
          ['brush', 'unsure', 9],
        ],
        booked: { inDays: 2, at: '16:40', person: 1, minutes: 20, kind: 'lesson' },
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
        profile: { name: 'Otter', ageYears: 2, breeds: ['border-collie'], weightKg: 17.3, sex: 'dog' },
        hidden: {},
        everyDays: 42,
        visits: 4,
        lastVisitDaysAgo: 30,
        booked: { inDays: 5, at: '10:30', person: 0, minutes: 120 },
      },
    ],
  },
];

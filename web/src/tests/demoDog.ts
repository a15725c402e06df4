import type {
  Appointment,
  Client,
  DogListItem,
  DogView,
  BusinessView,
  ProductView,
  SessionView,
  VisitView,
} from '@dewpond/contract';
import type { Role } from '@dewpond/core/rights';
import { LIFT_ALONE_KG, NO_HAIR_RECORD, plainDog, type DogFacts } from '@dewpond/core/dog';
import { makePlan, restraintOf } from '@dewpond/core/careplan';
import { nextVisit, planDue } from '@dewpond/core/due';
import { DEFAULT_HOUSE_WAYS, DEFAULT_SERVICES } from '@dewpond/core/ways';
import { EMPTY_CARD } from '@dewpond/core/clients';
import { EASY, type HandlingNotes } from '@dewpond/core/handling';
import type { Grade, PlaceKey } from '@dewpond/core/places';
import { placeRecord } from '@dewpond/core/rhythm';
import { addDays, day, kilograms } from '@dewpond/core/units';
import { v7 } from 'uuid';

export const TODAY = day('2026-11-25');
export const DOG_ID = v7();
export const WASH_ID = v7();
export const BOTTLE_ID = v7();
const VISIT_ID = v7();

export const MEMBER = { id: v7(), personId: v7(), name: 'Ines Okafor', role: 'manager' } as const;

/** The first branch has the id of the business. */
export const QUAY = { id: v7(), name: 'Withy Quay', kind: 'salon' } as const;

/** Withy Quay, signed in as its manager. */
export const session = (units: SessionView['business']['units'] = 'metric'): SessionView => ({
  person: { id: MEMBER.personId, name: MEMBER.name, email: 'ines@withyquay.example' },
  member: MEMBER,
  rights: {},
  secondFactor: { has: false, asked: false },
  tablet: null,
  backupOld: null,
  branches: [QUAY],
  branchId: QUAY.id,
  business: { id: QUAY.id, name: 'Withy Quay Grooming', zone: 'Europe/London', units },
  units,
  ownUnits: null,
  today: TODAY,
});

/** The same, signed in as somebody else of it. */
export const sessionOf = (role: Role): SessionView => ({ ...session(), member: { ...MEMBER, role } });

/** The everyday wash of the business. */
export const product = (more: Partial<ProductView> = {}): ProductView => ({
  id: WASH_ID,
  version: 1,
  name: 'Deep clean concentrate',
  kind: 'cleansing',
  label: '24:1',
  waterParts: '24',
  strength: '24:1',
  range: null,
  purposes: [],
  contact: null,
  contactMinutes: null,
  amountFactor: 1,
  usual: false,
  suppliedBy: 'house',
  supplier: '',
  cautions: [],
  ingredients: [],
  containerMl: 5000,
  costPerMl: 0.031,
  price: 155,
  pumpId: null,
  strokeMl: 5,
  leadDays: 7,
  safetyMl: 0,
  archivedOn: null,
  ...more,
});

export const business = (more: Partial<BusinessView> = {}): BusinessView => ({
  version: 1,
  name: 'Withy Quay Grooming',
  units: 'metric',
  services: DEFAULT_SERVICES,
  liftAloneKg: LIFT_ALONE_KG,
  mixPerSquareMetre: 800,
  washKinds: {},
  intervals: {},
  visitKinds: [],
  ownBreeds: [],
  ways: DEFAULT_HOUSE_WAYS,
  currency: 'GBP',
  products: [
    product(),
    product({
      id: v7(),
      name: 'Vet-supplied antiseptic wash',
      kind: 'medicated',
      label: '10:1',
      waterParts: '10',
      strength: '10:1',
      strokeMl: 2,
      suppliedBy: 'vet',
      contact: { least: 10, most: 10 },
      contactMinutes: 10,
    }),
  ],
  putAway: [],
  pumps: [],
  bottles: [{ id: BOTTLE_ID, version: 1, name: 'Half-litre bottle', brim: 550, line: 500, graduation: 50, count: 2 }],
  mayEdit: true,
  ...more,
});

const HARNESS: HandlingNotes = { ...EASY, tether: 'harness' };

export function facts(breed = 'pug', more: Partial<DogFacts> = {}): DogFacts {
  const ear = { ...NO_HAIR_RECORD, conditions: [], plucked: 'never', ownerForbidsPlucking: false } as const;
  return plainDog([breed], {
    weight: kilograms(8),
    tearingSeenByVet: true,
    ears: { left: ear, right: ear },
    handling: HARNESS,
    today: TODAY,
    ...more,
  });
}

export const CLIENT_ID = v7();
/** Radish's owner. */
export const client = (more: Partial<Client> = {}): Client => ({
  id: CLIENT_ID,
  version: 1,
  name: 'Amara Nwosu',
  card: { ...EMPTY_CARD, phones: [{ number: '01632 960101', whose: '' }] },
  archivedOn: null,
  household: null,
  ...more,
});

/** A pug whose left ear was dirty four weeks ago, three times running; the right one clear. */
export function dogView(more: Partial<DogView> = {}): DogView {
  const record = (dirt: Grade) =>
    placeRecord(
      [112, 84, 56, 28].map((ago) => ({
        day: addDays(TODAY, -ago),
        cared: true,
        neededNothing: false,
        barred: false,
        looked: true,
        dirtyPads: null,
        dirt,
      })),
      [],
    );
  const places = { 'ear/left': record(2), 'ear/right': record(0) };
  const due = planDue(
    makePlan(facts()),
    {
      places,
      tasks: { bath: { observations: [], lastCare: addDays(TODAY, -28), spared: null, suspended: false } },
      homeCareChangedOn: null,
      schoolChangedOn: null,
    },
    TODAY,
  );
  return {
    id: DOG_ID,
    version: 3,
    profile: {
      name: 'Radish',
      breeds: ['pug'],
      weightKg: 8,
      born: day('2020-05-01'),
      sex: 'bitch',
      seen: {},
      skin: 'healthy',
      coatCondition: 'good',
      swims: false,
      canStandThroughBath: true,
      grassSeedMonths: [],
      hayFeverMonths: [],
      dirtyWork: false,
      hardGround: false,
      whiteCoat: false,
      ownBath: {},
      ownWays: {},
      style: {},
      stiffJoints: false,
      tightBreathing: false,
      tearingSeenByVet: true,
      earTrouble: 'none',
      ears: {
        left: { conditions: [], plucked: 'never', ownerForbidsPlucking: false },
        right: { conditions: [], plucked: 'never', ownerForbidsPlucking: false },
      },
      pluckingConsent: false,
      pluckingStress: 'none',
      nailsOvergrown: false,
      nailBled: false,
      reactions: '',
      hazeKnown: false,
      handling: { ...HARNESS, minds: [], likes: [], marks: ['no neck loop'] },
      chip: '',
      note: '',
    },
    client: client(),
    today: TODAY,
    due,
    bathProduct: null,
    instructions: [],
    homeCareChangedOn: null,
    facts: facts(),
    seenOn: {},
    nextVisit: nextVisit(due, TODAY),
    visits: [],
    drift: [],
    openFindings: [],
    proposedWays: [],
    notes: { ownerSaid: null, closing: null },
    appointments: [],
    amounts: { factor: 1, lessons: 0, products: {} },
    bath: null,
    archivedOn: null,
    vet: null,
    marks: ['Harness only', 'no neck loop'],
    restraint: restraintOf(facts()),
    weighings: [{ day: day('2026-10-28'), kg: 8, by: MEMBER.name }],
    programme: null,
    likelySame: [],
    merges: [],
    ...more,
  };
}

/** Radish's visit of today, nothing written yet. */
export const visitView = (more: Partial<VisitView> = {}): VisitView => ({
  id: VISIT_ID,
  dog: { id: DOG_ID, name: 'Radish', words: 'Pug, 8 kg', handling: ['no neck loop'], weightKg: 8 },
  owner: { name: 'Noor Haddad', phones: ['01632 960114'] },
  appointmentId: null,
  kind: 'full visit',
  agreed: null,
  day: TODAY,
  facts: facts(),
  contactMinutes: 0,
  contactMost: null,
  minutesFactor: {},
  style: {},
  tools: {},
  photos: [],
  bath: null,
  atTheDoor: { booking: '', dog: '', ownerSaid: null, closing: null },
  mixes: [],
  openMixes: [],
  lastTime: {
    day: addDays(TODAY, -28),
    findings: [{ place: { site: 'ear', side: 'left' }, sign: 'ear pale wax', grade: 2, answer: null }],
    looked: ['ear/left', 'ear/right'] satisfies PlaceKey[],
  },
  askAgain: [],
  referred: [],
  shownBefore: [],
  lastAnswers: {},
  events: [],
  fromLost: null,
  serverNow: Date.now(),
  ...more,
});

/** A booking of Radish's at nine on a day of winter time. */
export const booking = (more: Partial<Appointment> = {}): Appointment => ({
  id: v7(),
  version: 1,
  dogId: DOG_ID,
  dogName: 'Radish',
  ownerId: CLIENT_ID,
  ownerName: 'Amara Nwosu',
  memberId: MEMBER.id,
  memberName: MEMBER.name,
  kind: 'full visit',
  agreed: null,
  startsAt: '2026-11-26T09:00:00.000Z',
  endsAt: '2026-11-26T11:00:00.000Z',
  state: 'booked',
  mayMove: false,
  saidYes: false,
  seriesId: null,
  note: '',
  visitId: null,
  ...more,
});

/** Radish as the list of dogs shows her. */
export const listed = (more: Partial<DogListItem> = {}): DogListItem => ({
  id: DOG_ID,
  name: 'Radish',
  breed: 'Pug',
  ownerId: CLIENT_ID,
  owner: 'Amara Nwosu',
  phone: '01632 960101',
  street: '3 Slip Row',
  chip: '',
  archived: false,
  weightKg: 8,
  handling: [],
  next: { day: addDays(TODAY, 2), task: 'folds, nose fold', late: false, since: null },
  nextBooked: null,
  openVet: false,
  reckoned: true,
  ...more,
});

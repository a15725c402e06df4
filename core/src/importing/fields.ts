import { plainWords } from '../clients';

interface FieldWords {
  readonly name: string;
  readonly of: 'owner' | 'dog';
  /** Headings other programs and people use, plain. */
  readonly called: readonly string[];
}

/** What a column may hold. Headings are guesses of common use, no source. */
export const FIELDS = {
  owner: {
    name: 'Owner’s name',
    of: 'owner',
    called: [
      'owner',
      'owner name',
      'owners name',
      'client',
      'client name',
      'customer',
      'customer name',
      'name of owner',
      'besitzer',
      'full name',
      'contact',
    ],
  },
  'first name': {
    name: 'Owner’s first name',
    of: 'owner',
    called: ['first name', 'firstname', 'forename', 'given name', 'owner first name', 'vorname'],
  },
  'last name': {
    name: 'Owner’s last name',
    of: 'owner',
    called: ['last name', 'lastname', 'surname', 'family name', 'owner last name', 'nachname'],
  },
  phone: {
    name: 'Phone',
    of: 'owner',
    called: [
      'phone',
      'telephone',
      'tel',
      'mobile',
      'cell',
      'phone number',
      'phone 1',
      'mobile phone',
      'telefon',
      'handy',
    ],
  },
  'second phone': {
    name: 'Second phone',
    of: 'owner',
    called: ['phone 2', 'second phone', 'other phone', 'home phone', 'landline', 'work phone'],
  },
  email: { name: 'E-mail', of: 'owner', called: ['email', 'e-mail', 'mail', 'email address', 'e-mail address'] },
  street: {
    name: 'Street',
    of: 'owner',
    called: ['street', 'address', 'address 1', 'address line 1', 'street address', 'strasse'],
  },
  town: { name: 'Town', of: 'owner', called: ['town', 'city', 'place', 'ort', 'suburb'] },
  postcode: {
    name: 'Postcode',
    of: 'owner',
    called: ['postcode', 'post code', 'zip', 'zip code', 'postal code', 'plz'],
  },
  latitude: { name: 'Latitude', of: 'owner', called: ['latitude', 'lat'] },
  longitude: { name: 'Longitude', of: 'owner', called: ['longitude', 'lon', 'lng', 'long'] },
  'owner note': {
    name: 'Note on the owner',
    of: 'owner',
    called: ['owner note', 'owner notes', 'client notes', 'customer notes'],
  },
  dog: {
    name: 'Dog’s name',
    of: 'dog',
    called: ['dog', 'dog name', 'dogs name', 'pet', 'pet name', 'name of dog', 'animal', 'hund', 'name'],
  },
  breed: { name: 'Breed', of: 'dog', called: ['breed', 'breeds', 'race', 'rasse', 'type of dog'] },
  weight: { name: 'Weight', of: 'dog', called: ['weight', 'weight kg', 'kg', 'weight lb', 'lb', 'lbs', 'gewicht'] },
  born: {
    name: 'Born',
    of: 'dog',
    called: ['born', 'birthday', 'birth date', 'date of birth', 'dob', 'd o b', 'geboren', 'birthdate'],
  },
  sex: { name: 'Dog or bitch', of: 'dog', called: ['sex', 'gender', 'geschlecht'] },
  chip: { name: 'Chip', of: 'dog', called: ['chip', 'microchip', 'chip number', 'microchip number'] },
  mind: { name: 'To mind', of: 'dog', called: ['to mind', 'mind', 'alerts', 'alert', 'warnings', 'handling'] },
  'dog note': {
    name: 'Note on the dog',
    of: 'dog',
    called: ['note', 'notes', 'comments', 'dog note', 'dog notes', 'pet notes', 'remarks'],
  },
} as const satisfies Record<string, FieldWords>;

export type ImportField = keyof typeof FIELDS;
export const ALL_FIELDS = Object.keys(FIELDS) as readonly ImportField[];

/** Which field each column holds, by its place; null = left out. A field is held by one column at most. */
export type Mapping = readonly (ImportField | null)[];

const bare = (heading: string): string =>
  plainWords(heading)
    .replaceAll(/[’'().:_]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

/** A guess of the mapping from the headings: the name itself first, then what begins with it. Never one field twice. */
export function suggestMapping(headings: readonly string[]): Mapping {
  const words = headings.map(bare);
  const taken = new Set<ImportField>();
  const found = new Map<number, ImportField>();
  const claim = (fits: (heading: string, called: string) => boolean) => {
    for (const field of ALL_FIELDS) {
      if (taken.has(field)) continue;
      const at = words.findIndex(
        (heading, i) => !found.has(i) && [field, ...FIELDS[field].called].some((called) => fits(heading, bare(called))),
      );
      if (at < 0) continue;
      found.set(at, field);
      taken.add(field);
    }
  };
  claim((heading, called) => heading === called);
  claim((heading, called) => called.length > 3 && heading.startsWith(`${called} `));
  return words.map((_, i) => found.get(i) ?? null);
}

/** What a mapping still lacks, in words; null when rows can be read. */
export function lacking(mapping: Mapping): string | null {
  const has = (...fields: ImportField[]) => fields.some((field) => mapping.includes(field));
  if (!has('owner', 'last name', 'first name')) return 'Say which column holds the owner’s name.';
  if (has('latitude') !== has('longitude')) return 'Latitude and longitude come together.';
  return null;
}

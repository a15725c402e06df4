import { handlingMarks } from '@dewpond/core/handling';
import { writeBreeds, writeVcards } from '@dewpond/core/importing';
import { signWords } from '@dewpond/core/findings';
import { GRADE_WORDS, namePlace, placeOf } from '@dewpond/core/places';
import { asc, eq } from 'drizzle-orm';
import {
  appointment,
  branch,
  cleanDown,
  client,
  dog,
  findingSeen,
  instruction,
  member,
  message,
  visit,
  weighing,
} from '../../platform/db/schema';
import { inPieces } from '../../platform/db/together';
import { csv, type Exported } from './csv';
import { mixes, productUse, stock } from './shelfTables';

/** Owners without a dog have a row, too. */
const dogs = csv(
  [
    'Owner',
    'Phone',
    'Second phone',
    'E-mail',
    'Street',
    'Town',
    'Postcode',
    'Latitude',
    'Longitude',
    'Owner note',
    'Dog',
    'Breed',
    'Weight kg',
    'Born',
    'Sex',
    'Chip',
    'To mind',
    'Note',
    'Archived',
    'Branch',
  ],
  (from, only) =>
    from
      .select({ client, dog, branch: branch.name })
      .from(client)
      .leftJoin(dog, eq(dog.clientId, client.id))
      .leftJoin(branch, eq(branch.id, dog.branchId))
      .where(only)
      .orderBy(asc(client.name), asc(dog.name)),
  ({ client: { name, card, archivedOn }, dog: its, branch: at }, { catalogue }) => {
    const { street, town, postcode, coordinates } = card.address;
    const profile = its?.profile;
    return [
      name,
      card.phones[0]?.number ?? '',
      card.phones[1]?.number ?? '',
      card.emails.join('; '),
      street,
      town,
      postcode,
      coordinates?.latitude ?? '',
      coordinates?.longitude ?? '',
      card.note,
      profile?.name ?? '',
      profile ? writeBreeds(profile.breeds, catalogue) : '',
      profile?.weightKg ?? '',
      profile?.born ?? '',
      profile && profile.sex !== 'not known' ? profile.sex : '',
      profile?.chip ?? '',
      profile ? handlingMarks(profile.handling, profile.canStandThroughBath).join('; ') : '',
      profile?.note ?? '',
      its?.archivedOn ?? archivedOn ?? '',
      at ?? '',
    ];
  },
);

const cards: Exported = {
  type: 'text/vcard; charset=utf-8',
  async *write(tx, _, only) {
    // A card takes longer to write than a row.
    const people = inPieces(
      tx,
      (from) =>
        from.select({ name: client.name, card: client.card }).from(client).where(only).orderBy(asc(client.name)),
      100,
    );
    for await (const piece of people) yield writeVcards(piece);
  },
};

const named = { dog: dog.name, owner: client.name };

const visits = csv(
  ['Day', 'Dog', 'Owner', 'Closed'],
  (from, only) =>
    from
      .select({ day: visit.day, closed: visit.closed, ...named })
      .from(visit)
      .innerJoin(dog, eq(dog.id, visit.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(only)
      .orderBy(asc(visit.day), asc(dog.name)),
  (row) => [row.day, row.dog, row.owner, row.closed ?? 'open'],
);

const findings = csv(
  ['Day', 'Dog', 'Owner', 'Place', 'Sign', 'Grade', 'Level'],
  (from, only) =>
    from
      .select({ found: findingSeen, ...named })
      .from(findingSeen)
      .innerJoin(dog, eq(dog.id, findingSeen.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(only)
      .orderBy(asc(findingSeen.day), asc(dog.name), asc(findingSeen.place)),
  ({ found, ...row }) => [
    found.day,
    row.dog,
    row.owner,
    namePlace(placeOf(found.place)),
    signWords(found.sign).name,
    GRADE_WORDS[found.grade],
    found.level,
  ],
);

const bookings = csv(
  ['Starts', 'Ends', 'Dog', 'Owner', 'With', 'Kind', 'State', 'Note', 'Branch'],
  (from, only) =>
    from
      .select({ booked: appointment, who: member.name, branch: branch.name, ...named })
      .from(appointment)
      .innerJoin(dog, eq(dog.id, appointment.dogId))
      .innerJoin(branch, eq(branch.id, dog.branchId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .innerJoin(member, eq(member.id, appointment.memberId))
      .where(only)
      .orderBy(asc(appointment.startsAt)),
  ({ booked, who, ...row }) => [
    booked.startsAt.toISOString(),
    booked.endsAt.toISOString(),
    row.dog,
    row.owner,
    who,
    booked.kind,
    booked.state,
    booked.note,
    row.branch,
  ],
);

const instructions = csv(
  ['From', 'Until', 'Dog', 'Owner', 'Whose word', 'Who', 'Place', 'What'],
  (from, only) =>
    from
      .select({ given: instruction, ...named })
      .from(instruction)
      .innerJoin(dog, eq(dog.id, instruction.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(only)
      .orderBy(asc(instruction.fromDay), asc(dog.name)),
  ({ given, ...row }) => [
    given.fromDay,
    given.untilDay,
    row.dog,
    row.owner,
    given.by,
    given.who,
    given.place === null ? '' : namePlace(placeOf(given.place)),
    Object.values(given.says).join(', '),
  ],
);

const weights = csv(
  ['Day', 'Dog', 'Owner', 'Weight kg', 'By'],
  (from, only) =>
    from
      .select({ weighed: weighing, ...named })
      .from(weighing)
      .innerJoin(dog, eq(dog.id, weighing.dogId))
      .innerJoin(client, eq(client.id, dog.clientId))
      .where(only)
      .orderBy(asc(dog.name), asc(weighing.day)),
  ({ weighed, ...row }) => [weighed.day, row.dog, row.owner, weighed.kg, weighed.by],
);

/** As a place asks for it: what was cleaned, when, by whom, with what, for how long. */
const cleanDowns = csv(
  ['At', 'After dog', 'By', 'Cleaned', 'Not ticked', 'With', 'On for s', 'Wanted s', 'After signs'],
  (from) =>
    from
      .select({ line: cleanDown, who: member.name, dog: dog.name })
      .from(cleanDown)
      .innerJoin(dog, eq(dog.id, cleanDown.dogId))
      .leftJoin(member, eq(member.personId, cleanDown.personId))
      .orderBy(asc(cleanDown.at)),
  ({ line, who, dog: name }) => [
    line.at.toISOString(),
    name,
    who ?? '',
    line.cleaned.join('; '),
    line.left.join('; '),
    line.productName ?? '',
    line.seconds ?? '',
    line.wanted ?? '',
    line.after.map((sign) => signWords(sign).name).join('; '),
  ],
);

/** What was written to owners, and what became of it. */
const messages = csv(
  ['At', 'Owner', 'What', 'By', 'To', 'Subject', 'Words', 'State'],
  (from, only) =>
    from
      .select({ sent: message, owner: client.name })
      .from(message)
      .innerJoin(client, eq(client.id, message.clientId))
      .where(only)
      .orderBy(asc(message.createdAt)),
  ({ sent, owner }) => [
    sent.createdAt.toISOString(),
    owner,
    sent.kind,
    sent.channel,
    sent.recipient,
    sent.subject,
    sent.words,
    sent.state,
  ],
);

/** What is of clients, and can be given to one of them. */
export const OF_CLIENTS: Readonly<Record<string, Exported>> = {
  'dogs.csv': dogs,
  'clients.vcf': cards,
  'visits.csv': visits,
  'findings.csv': findings,
  'bookings.csv': bookings,
  'instructions.csv': instructions,
  'weights.csv': weights,
  'messages.csv': messages,
};

/** The whole book in open formats, one file a table. `dogs.csv` is what an import reads. */
export const EXPORTS: Readonly<Record<string, Exported>> = {
  ...OF_CLIENTS,
  'clean-downs.csv': cleanDowns,
  'stock.csv': stock,
  'mixes.csv': mixes,
  'product-use.csv': productUse,
};

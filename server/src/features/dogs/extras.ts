import type { DogView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { plainWords } from '@dewpond/core/clients';
import { and, asc, desc, eq, inArray, isNull, ne } from 'drizzle-orm';
import { householdOf } from '../../records/client/client';
import { dog, instruction, letter, programme, vet, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { mergesInto } from '../../records/client/merges';
import type { DogRecord } from '../../records/dog/dogRecord';

/** What the page of one dog shows beyond what its plan is made from. */
export interface DogExtras extends Pick<DogView, 'vet' | 'weighings' | 'programme' | 'likelySame' | 'merges'> {
  readonly household: DogView['client']['household'];
  readonly letters: ReadonlyMap<string, NonNullable<DogView['instructions'][number]['letter']>>;
}

export async function loadExtras(tx: Tenant, { dog: row, client }: DogRecord): Promise<DogExtras> {
  return {
    household: await householdOf(tx, client),
    vet: await vetOf(tx, row.vetId),
    weighings: await weighingsOf(tx, row.id),
    programme: await programmeOf(tx, row.id),
    letters: await lettersOf(tx, row.id),
    likelySame: await doublesOf(tx, row),
    merges: await mergesInto(tx, 'dog', row.id),
  };
}

async function vetOf(tx: Tenant, id: string | null): Promise<DogView['vet']> {
  if (id === null) return null;
  const [row] = await tx.select().from(vet).where(eq(vet.id, id));
  return row ? { id: row.id, name: row.name, practice: row.practice, phone: row.phone } : null;
}

async function weighingsOf(tx: Tenant, dogId: string): Promise<DogView['weighings']> {
  const rows = await tx.select().from(weighing).where(eq(weighing.dogId, dogId)).orderBy(asc(weighing.day));
  return rows.map(({ day, kg, by }) => ({ day: day as Day, kg, by }));
}

async function programmeOf(tx: Tenant, dogId: string): Promise<DogView['programme']> {
  const [row] = await tx
    .select()
    .from(programme)
    .where(eq(programme.dogId, dogId))
    .orderBy(desc(programme.createdAt))
    .limit(1);
  return row
    ? {
        id: row.id,
        version: row.version,
        kind: row.kind,
        startedOn: row.startedOn as Day,
        endedOn: row.endedOn as Day | null,
        lessons: row.lessons,
      }
    : null;
}

async function lettersOf(tx: Tenant, dogId: string): Promise<DogExtras['letters']> {
  const rows = await tx
    .select({
      instructionId: letter.instructionId,
      fileName: letter.fileName,
      mediaType: letter.mediaType,
      size: letter.size,
      addedBy: letter.addedBy,
    })
    .from(letter)
    .where(
      inArray(
        letter.instructionId,
        tx.select({ id: instruction.id }).from(instruction).where(eq(instruction.dogId, dogId)),
      ),
    );
  return new Map(rows.map(({ instructionId, ...rest }) => [instructionId, rest]));
}

/** Dogs of one owner with one name are most likely one dog. */
async function doublesOf(tx: Tenant, row: DogRecord['dog']): Promise<DogView['likelySame']> {
  const others = await tx
    .select({ id: dog.id, name: dog.name })
    .from(dog)
    .where(and(eq(dog.clientId, row.clientId), ne(dog.id, row.id), isNull(dog.archivedOn)));
  return others.filter((other) => plainWords(other.name) === plainWords(row.name));
}

import type { DogView } from '@dewpond/contract';
import type { Day } from '@dewpond/core/units';
import { plainWords } from '@dewpond/core/clients';
import { and, asc, desc, inArray, isNull, sql } from 'drizzle-orm';
import { dog, household, instruction, letter, programme, vet, weighing } from '../../platform/db/schema';
import type { Tenant } from '../../platform/db/tenant';
import { together, type AskedFor } from '../../platform/db/together';
import { asMerge, mergeQuery } from '../../records/client/merges';
import type { DogRecord } from '../../records/dog/dogRecord';

/** What the page of one dog shows beyond what its plan is made from. */
export interface DogExtras extends Pick<DogView, 'vet' | 'weighings' | 'programme' | 'likelySame' | 'merges'> {
  readonly household: DogView['client']['household'];
  readonly letters: ReadonlyMap<string, NonNullable<DogView['instructions'][number]['letter']>>;
}

/** A dog with what decides whom and what else its page speaks of. */
interface ExtrasOf {
  readonly id: AskedFor<string>;
  readonly clientId: AskedFor<string>;
  readonly vetId: AskedFor<string | null>;
  readonly householdId: AskedFor<string | null>;
}

const extraRows = together((select, { id, clientId, vetId, householdId }: ExtrasOf) => ({
  households: select
    .select({ id: household.id, name: household.name })
    .from(household)
    .where(sql`${household.id} = ${householdId}`),
  vets: select
    .select({ id: vet.id, name: vet.name, practice: vet.practice, phone: vet.phone })
    .from(vet)
    .where(sql`${vet.id} = ${vetId}`),
  weighings: select
    .select({ day: weighing.day, kg: weighing.kg, by: weighing.by })
    .from(weighing)
    .where(sql`${weighing.dogId} = ${id}`)
    .orderBy(asc(weighing.day)),
  programmes: select
    .select()
    .from(programme)
    .where(sql`${programme.dogId} = ${id}`)
    .orderBy(desc(programme.createdAt))
    .limit(1),
  letters: select
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
        select
          .select({ id: instruction.id })
          .from(instruction)
          .where(sql`${instruction.dogId} = ${id}`),
      ),
    ),
  sameOwner: select
    .select({ id: dog.id, name: dog.name })
    .from(dog)
    .where(and(sql`${dog.clientId} = ${clientId}`, sql`${dog.id} <> ${id}`, isNull(dog.archivedOn))),
  merges: mergeQuery(select, 'dog', id),
}));

export async function loadExtras(tx: Tenant, { dog: row, client }: DogRecord): Promise<DogExtras> {
  const { id, clientId, vetId } = row;
  const rows = await extraRows(tx, { id, clientId, vetId, householdId: client.householdId });
  const [programmeRow] = rows.programmes;
  return {
    household: rows.households[0] ?? null,
    vet: rows.vets[0] ?? null,
    weighings: rows.weighings.map(({ day, ...each }) => ({ day: day as Day, ...each })),
    programme: programmeRow
      ? {
          id: programmeRow.id,
          version: programmeRow.version,
          kind: programmeRow.kind,
          startedOn: programmeRow.startedOn as Day,
          endedOn: programmeRow.endedOn as Day | null,
          lessons: programmeRow.lessons,
        }
      : null,
    letters: new Map(rows.letters.map(({ instructionId, ...rest }) => [instructionId, rest])),
    // Dogs of one owner with one name are most likely one dog.
    likelySame: rows.sameOwner.filter((other) => plainWords(other.name) === plainWords(row.name)),
    merges: rows.merges.map(asMerge),
  };
}

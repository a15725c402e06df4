import type { ClientView } from '@dewpond/contract';
import { SALON, type DogNeeds } from '@dewpond/core/bookings';
import { call } from '../../../api/call';
import { useState } from 'react';
import { counted } from '../../../browser/counted';
import { useDogs, useHours } from '../../../data/queries';
import { NotSaved } from '../../../forms/NotSaved';
import { useSavedAtOnce } from '../../../forms/useSavedAtOnce';
import { BranchOfDog } from '../../../parts/branches/BranchOfDog';
import { Choice } from '../../../ui/Choice';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { People, Weekdays, showDays } from './weekFields';

const NO_NEEDS: DogNeeds = { slot: null, memberId: null, weekdays: [], where: null, skills: [], notWith: [] };

const NEED_NAMES = {
  slot: 'In somebody’s day',
  memberId: 'Only with',
  weekdays: 'Only on',
  where: 'Where',
  skills: 'Needs somebody good at',
  notWith: 'Does not meet',
} as const;
const showNeed = (field: keyof DogNeeds, { slot, memberId, weekdays, where, skills, notWith }: DogNeeds): string =>
  ({
    slot: slot ?? 'anywhere',
    memberId: memberId === null ? 'anybody' : 'one person',
    weekdays: showDays(weekdays),
    where: where ?? 'at the salon',
    skills: skills.join(', ') || 'nothing of its own',
    notWith: notWith.length === 0 ? 'no dog' : counted(notWith.length, 'dog'),
  })[field];

/** Where one dog must be in a day, in whose hands, and where it is. Each tap is kept at once. */
export function NeedsOfDog({ dog }: { readonly dog: ClientView['dogs'][number] }) {
  const kept = useSavedAtOnce({ version: dog.version, form: dog.needs ?? NO_NEEDS }, 'PUT /api/dogs/:id/needs', {
    keep: (needs, seen) => call('PUT /api/dogs/:id/needs', { id: dog.id, body: { version: seen, needs } }),
    says: `What ${dog.name} must have is kept.`,
  });
  const { form: needs, change: say } = kept;
  return (
    <fieldset className="border-t border-line pt-3 flex flex-col gap-3">
      <legend className="sr-only">{dog.name}</legend>
      <NotSaved at={kept} what={`what ${dog.name} must have`} names={NEED_NAMES} show={showNeed} />
      <p className="font-semibold">
        {dog.name} <span className="font-normal text-soft">must have it so</span>
      </p>
      <BranchOfDog dog={dog} />
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label={`${dog.name}: in somebody’s day`}
          value={needs.slot ?? ''}
          onChange={({ target }) => say({ slot: (target.value || null) as DogNeeds['slot'] })}
        >
          <option value="">anywhere</option>
          <option value="first">the first dog</option>
          <option value="last">the last dog</option>
        </SelectField>
        <People
          label={`${dog.name}: only with`}
          none="anybody"
          value={needs.memberId}
          onChange={(memberId) => say({ memberId })}
        />
      </div>
      <Places dog={dog.name} needs={needs} onChange={say} />
      <NotWith dog={dog} chosen={needs.notWith} onChange={(notWith) => say({ notWith })} />
      <Weekdays
        label={`${dog.name}: only on quiet days; none: all`}
        chosen={needs.weekdays}
        onChange={(weekdays) => say({ weekdays })}
      />
    </fieldset>
  );
}

interface PlacesProps {
  readonly dog: string;
  readonly needs: DogNeeds;
  readonly onChange: (change: Partial<DogNeeds>) => void;
}

/** Areas that somebody goes to, and what people here are good at: what a dog has of them stays, though nobody works so any more. */
function Places({ dog, needs: { where, skills }, onChange }: PlacesProps) {
  const people = useHours().data?.people ?? [];
  const areas = people.flatMap(({ week }) => week.flat().map((span) => span.where)).filter((each) => each !== SALON);
  const known = [...new Set([...areas, ...(where === null ? [] : [where])])].toSorted();
  const able = [...new Set([...people.flatMap((each) => each.skills), ...skills])].toSorted();
  return (
    <>
      {known.length > 0 && (
        <SelectField
          label={`${dog}: where`}
          value={where ?? ''}
          onChange={({ target }) => onChange({ where: target.value || null })}
        >
          <option value="">comes to the salon</option>
          {known.map((area) => (
            <option key={area} value={area}>
              the van comes: {area}
            </option>
          ))}
        </SelectField>
      )}
      {able.length > 0 && (
        <fieldset className="flex flex-wrap gap-1.5">
          <legend className="text-sm font-semibold mb-1">{dog}: needs somebody good at</legend>
          {able.map((skill) => (
            <Choice
              key={skill}
              chosen={skills.includes(skill)}
              className="min-h-11!"
              onClick={() =>
                onChange({
                  skills: skills.includes(skill) ? skills.filter((each) => each !== skill) : [...skills, skill],
                })
              }
            >
              {skill}
            </Choice>
          ))}
        </fieldset>
      )}
    </>
  );
}

interface NotWithProps {
  readonly dog: { readonly id: string; readonly name: string };
  readonly chosen: readonly string[];
  readonly onChange: (chosen: readonly string[]) => void;
}

/** So many are shown while a name is typed. */
const FOUND = 6;

/** Dogs that it must not meet, found by name: they are never out of their crates at the same time. */
function NotWith({ dog, chosen, onChange }: NotWithProps) {
  const dogs = useDogs().data ?? [];
  const [typed, setTyped] = useState('');
  const name = typed.trim().toLowerCase();
  const known = new Map(dogs.map((each) => [each.id, each]));
  const found =
    name.length < 2
      ? []
      : dogs.filter(
          (each) =>
            each.id !== dog.id &&
            !each.archived &&
            !chosen.includes(each.id) &&
            each.name.toLowerCase().startsWith(name),
        );
  const chip = (id: string, is: boolean, onClick: () => void) => {
    const its = known.get(id);
    return (
      <Choice key={id} chosen={is} className="min-h-11!" onClick={onClick}>
        {its?.name ?? 'a dog of before'} <span className="font-normal">{its?.owner}</span>
      </Choice>
    );
  };
  return (
    <div role="group" aria-label={`${dog.name}: does not meet`} className="flex flex-col gap-1.5">
      <TextField
        label={`${dog.name}: does not meet`}
        placeholder="a dog’s name"
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
      />
      <div className="flex flex-wrap gap-1.5 empty:hidden">
        {chosen.map((id) => chip(id, true, () => onChange(chosen.filter((each) => each !== id))))}
        {found.slice(0, FOUND).map(({ id }) =>
          chip(id, false, () => {
            onChange([...chosen, id]);
            setTyped('');
          }),
        )}
      </div>
    </div>
  );
}

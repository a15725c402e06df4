import type { HoursView } from '@dewpond/contract';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';

interface SkillsFieldProps {
  readonly person: HoursView['people'][number];
  readonly mayEdit: boolean;
}

const listOf = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((each) => each.trim())
      .filter((each) => each !== ''),
  ),
];

/** What a person is good at, in words of the business: dogs that need it are booked with nobody else. */
export function SkillsField({ person, mayEdit }: SkillsFieldProps) {
  const shown = person.skills.join(', ');
  const [typed, setTyped] = useState(shown);
  const save = useWrite('PUT /api/members/:id/skills', {
    write: (_, skills: string[]) => call('PUT /api/members/:id/skills', { id: person.id, body: { skills } }),
    onSuccess: () => tell(`What ${person.name} is good at is kept.`),
    tells: true,
  });
  return (
    <div className="col-span-2 max-sm:col-span-full flex flex-wrap gap-2 items-end">
      <TextField
        label="Good at, with commas between"
        placeholder="for example nervous dogs"
        value={typed}
        disabled={!mayEdit}
        onChange={({ target }) => setTyped(target.value)}
        className="flex-1 min-w-60 max-sm:min-w-0"
      />
      {mayEdit && listOf(typed).join() !== person.skills.join() && (
        <Button disabled={save.isPending} onClick={() => save.mutate(listOf(typed))}>
          Keep skills
        </Button>
      )}
    </div>
  );
}

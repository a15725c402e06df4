import { CHOICES, OVERRIDE_CHOICES, type DogChoice as ChoiceId } from '@dewpond/core/reasons';
import { tapped, type Because } from '@dewpond/core/events';
import { type Caution } from '@dewpond/core/visit';
import { useState } from 'react';
import { useMembers, useSession } from '../../data/queries';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { SelectField } from '../../ui/SelectField';
import { SourcedLine } from '../../ui/SourceMark';

interface CautionProps {
  readonly cautions: readonly Caution[];
  readonly onWait: () => void;
  /** Going on all the same, for this reason, on this person's word. */
  readonly onGoOn: (because: Because, who: string) => void;
}

/** What speaks against going on. It may be overridden, with a reason and a name, and stands in the record. */
export function CautionDialog({ cautions, onWait, onGoOn }: CautionProps) {
  const session = useSession().data;
  const members = useMembers().data ?? [];
  const [because, setBecause] = useState<ChoiceId | null>(null);
  const [who, setWho] = useState('');
  const name = who || session?.person.name || '';
  return (
    <Dialog open={cautions.length > 0} onClose={onWait} title="Wait a moment" tall>
      <ul className="text-xl leading-snug mb-4">
        {cautions.map((each) => (
          <li key={each.id}>
            <SourcedLine said={each} />
          </li>
        ))}
      </ul>
      <Button look="main" className="w-full min-h-16! text-xl mb-5" onClick={onWait}>
        Not done yet: go back
      </Button>
      <h2 className="mb-2">Go on all the same, because…</h2>
      <div className="flex flex-wrap gap-2 mb-3">
        {OVERRIDE_CHOICES.map((each) => (
          <Choice key={each} chosen={because === each} onClick={() => setBecause(each)}>
            {CHOICES[each]}
          </Choice>
        ))}
      </div>
      <div className="max-w-72 mb-3">
        <SelectField
          className="min-h-14"
          label="Whose word"
          value={name}
          onChange={(event) => setWho(event.target.value)}
        >
          {members.length === 0 && <option value={name}>{name}</option>}
          {members.map((member) => (
            <option key={member.id} value={member.name}>
              {member.name}
            </option>
          ))}
        </SelectField>
      </div>
      <Button
        look="stop"
        className="w-full min-h-14! text-lg"
        disabled={because === null || name === ''}
        onClick={() => because !== null && onGoOn(tapped(because), name)}
      >
        Go on: it is recorded with the name
      </Button>
    </Dialog>
  );
}

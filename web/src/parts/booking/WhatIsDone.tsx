import {
  VISIT_KINDS,
  partsOf,
  usualMinutes,
  type VisitContents,
  type VisitKind,
  type VisitPart,
} from '@dewpond/core/steps';
import { useBusiness } from '../../data/queries';
import { SelectField } from '../../ui/SelectField';
import { PartChips } from './PartChips';

/** How long a visit of each kind is booked for, until someone says otherwise [house values]. */
const USUAL_MINUTES: Readonly<Record<Exclude<VisitKind, 'as agreed'>, number>> = {
  'full visit': 120,
  'bath only': 75,
  'ears and nails': 30,
  lesson: 20,
};

const OWN = 'own ';

interface WhatIsDoneProps {
  readonly contents: VisitContents;
  readonly error: string | undefined;
  readonly onChange: (contents: VisitContents, usual: number) => void;
}

/** What is booked: a kind by name, the business's own among them; or any mixture of parts, part by part. */
export function WhatIsDone({ contents, error, onChange }: WhatIsDoneProps) {
  const own = useBusiness().data?.visitKinds ?? [];
  const parts = partsOf(contents);
  const { agreed } = contents;
  const ownKind = own.find(({ name, parts: its }) => agreed?.name === name && alike(its, parts));
  const agree = (next: readonly VisitPart[]) => {
    const mixed = { kind: 'as agreed', agreed: { name: '', parts: next } } as const;
    onChange(mixed, usualMinutes(mixed));
  };
  const choose = (value: string) => {
    const chosen = own.find(({ id }) => value === OWN + id);
    const kind = VISIT_KINDS.find((each) => each === value);
    if (chosen) onChange({ kind: 'as agreed', agreed: { name: chosen.name, parts: chosen.parts } }, chosen.minutes);
    else if (kind === 'as agreed') agree(parts);
    else if (kind) onChange({ kind, agreed: null }, USUAL_MINUTES[kind]);
  };
  return (
    <div className="col-span-2 flex flex-col gap-2">
      <SelectField
        label="What"
        value={ownKind ? OWN + ownKind.id : contents.kind}
        onChange={(event) => choose(event.target.value)}
      >
        {own.map(({ id, name }) => (
          <option key={id} value={OWN + id}>
            {name}
          </option>
        ))}
        {VISIT_KINDS.map((each) => (
          <option key={each} value={each}>
            {each}
          </option>
        ))}
      </SelectField>
      {contents.kind !== 'lesson' && <PartChips parts={parts} onChange={agree} />}
      {error && (
        <p role="alert" className="text-sm text-stop font-semibold">
          {error}
        </p>
      )}
    </div>
  );
}

const alike = (some: readonly VisitPart[], others: readonly VisitPart[]): boolean =>
  some.length === others.length && some.every((each) => others.includes(each));

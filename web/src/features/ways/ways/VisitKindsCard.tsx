import { usualMinutes, visitName, type OwnVisitKind } from '@dewpond/core/steps';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { X } from 'lucide-react';
import { useState } from 'react';
import { v7 } from 'uuid';
import { typedNumber } from '../../../forms/typedNumber';
import { PartChips } from '../../../parts/booking/PartChips';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SourceMark } from '../../../ui/SourceMark';

interface VisitKindsCardProps {
  readonly kinds: readonly OwnVisitKind[];
  readonly disabled: boolean;
  readonly onChange: (kinds: OwnVisitKind[]) => void;
}

/** Kinds of visit of the business's own, beside those that every business has. */
export function VisitKindsCard({ kinds, disabled, onChange }: VisitKindsCardProps) {
  const [adding, setAdding] = useState(false);
  return (
    <Card
      title="Kinds of visit"
      aside={
        <span className="flex items-center gap-2">
          <SourceMark
            source={HOUSE_VALUE}
            because="Full visit, bath only, ears and nails, lesson: every business has these. Any booking can be mixed part by part; what is booked often gets a name here."
          />
          {!disabled && <Button onClick={() => setAdding(true)}>A kind of our own…</Button>}
        </span>
      }
    >
      {kinds.length === 0 && <p className="text-soft">None of our own yet: bookings are mixed part by part.</p>}
      <ul>
        {kinds.map((each) => (
          <li key={each.id} className="flex items-center gap-3 border-t border-line first:border-0 py-1">
            <span className="flex-1 min-w-0">
              <b className="font-semibold">{each.name}</b>, {each.minutes} min
              <span className="block text-sm text-soft leading-snug">
                {visitName({ kind: 'as agreed', agreed: { name: '', parts: each.parts } })}
              </span>
            </span>
            {!disabled && (
              <Button
                look="quiet"
                aria-label={`No longer offered: ${each.name}`}
                onClick={() => onChange(kinds.filter(({ id }) => id !== each.id))}
              >
                <X size={18} aria-hidden />
              </Button>
            )}
          </li>
        ))}
      </ul>
      {adding && (
        <NewKind
          taken={kinds.map(({ name }) => name)}
          onKeep={(kind) => {
            onChange([...kinds, kind]);
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </Card>
  );
}

interface NewKindProps {
  readonly taken: readonly string[];
  readonly onKeep: (kind: OwnVisitKind) => void;
  readonly onClose: () => void;
}

function NewKind({ taken, onKeep, onClose }: NewKindProps) {
  const [name, setName] = useState('');
  const [parts, setParts] = useState<OwnVisitKind['parts']>([]);
  const [minutes, setMinutes] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const usual = usualMinutes({ kind: 'as agreed', agreed: { name, parts } });
  const long = minutes === null ? usual : typedNumber(minutes);
  const wrong = {
    name:
      name.trim() === '' ? 'What do you call it?' : taken.includes(name.trim()) ? 'There is one of that name.' : null,
    parts: parts.length === 0 ? 'Nothing is done at that visit.' : null,
    minutes: Number.isInteger(long) && long >= 15 && long <= 480 ? null : '15 minutes to 8 hours.',
  };
  return (
    <Dialog open onClose={onClose} title="A kind of visit of our own" says="It stands first where a visit is booked.">
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          setAsked(true);
          if (Object.values(wrong).every((each) => each === null))
            onKeep({ id: v7(), name: name.trim(), parts, minutes: long });
        }}
      >
        <TextField
          label="Name"
          value={name}
          maxLength={60}
          placeholder="Beach rinse"
          error={asked ? (wrong.name ?? undefined) : undefined}
          onChange={(event) => setName(event.target.value)}
        />
        <PartChips parts={parts} onChange={setParts} />
        {asked && wrong.parts && (
          <p role="alert" className="text-sm text-stop font-semibold">
            {wrong.parts}
          </p>
        )}
        <TextField
          label="Minutes"
          inputMode="numeric"
          value={minutes ?? String(usual)}
          hint="making ready, looking and the record with it"
          error={asked ? (wrong.minutes ?? undefined) : undefined}
          onChange={(event) => setMinutes(event.target.value)}
        />
        <Button type="submit" look="main" className="self-end">
          Keep it
        </Button>
      </form>
    </Dialog>
  );
}

import { USE_KINDS, USES, type UseKind } from '@dewpond/core/dog';
import { namePlace, SIDES, type Place, type Side } from '@dewpond/core/places';
import { isDay } from '@dewpond/core/units';
import { useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import type { TableWork } from '../useTable';
import { record } from '../visitLog';
import { DayField } from '../../../forms/DayField';

interface UseDialogProps {
  readonly table: TableWork;
  readonly onClose: () => void;
}

/** Something that is given or used at home: what, where, what it is called, from whom, until when. */
export function UseDialog({ table, onClose }: UseDialogProps) {
  const [what, setWhat] = useState<UseKind | null>(null);
  return (
    <Dialog open onClose={onClose} title={what === null ? 'What does it get, or what is used?' : USES[what].name} tall>
      {what === null ? (
        <div className="grid grid-cols-2 max-md:grid-cols-1 gap-2">
          {USE_KINDS.map((kind) => (
            <Button key={kind} className="min-h-16! text-lg" onClick={() => setWhat(kind)}>
              {USES[kind].name}
            </Button>
          ))}
        </div>
      ) : (
        <UseFields table={table} what={what} onClose={onClose} />
      )}
    </Dialog>
  );
}

/** The sides a use can be for: of a paired place left, right or both; else none. */
const sidesOf = (what: UseKind): readonly (Side | 'both')[] => {
  const { at } = USES[what];
  return at === 'ear' || at === 'eye' ? [...SIDES, 'both'] : [];
};

function UseFields({ table, what, onClose }: UseDialogProps & { readonly what: UseKind }) {
  const { at, follows } = USES[what];
  const [side, setSide] = useState<Side | 'both'>('both');
  const [by, setBy] = useState<'owner' | 'vet'>('owner');
  const [who, setWho] = useState(table.visit.owner.name);
  const [name, setName] = useState('');
  const [until, setUntil] = useState('');
  const sides = sidesOf(what);
  const fits = until === '' || (isDay(until) && until >= table.facts.today);
  const place: Place | null = (at === 'ear' || at === 'eye') && side !== 'both' ? { site: at, side } : null;
  const keep = () => {
    record({
      type: 'word told',
      word: {
        id: v7(),
        by,
        who: who.trim() || (by === 'owner' ? table.visit.owner.name : 'the vet'),
        place,
        says: { kind: 'uses', what, name: name.trim() },
        until: isDay(until) ? until : null,
      },
    });
    onClose();
  };
  return (
    <form
      className="flex flex-col gap-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (fits) keep();
      }}
    >
      <p className="rounded-xl bg-pond-pale px-3 py-2 text-lg leading-snug">{follows}</p>
      {sides.length > 0 && (
        <div role="group" aria-label="Which side" className="flex gap-2">
          {sides.map((each) => (
            <Choice key={each} chosen={side === each} className="flex-1 text-lg" onClick={() => setSide(each)}>
              {each === 'both'
                ? `both ${at}s`
                : at === null || at === 'fold'
                  ? each
                  : namePlace({ site: at, side: each })}
            </Choice>
          ))}
        </div>
      )}
      <TextField
        className="min-h-14 text-lg"
        label="What it is called (may stay empty)"
        value={name}
        maxLength={80}
        onChange={(event) => setName(event.target.value)}
      />
      <div role="group" aria-label="From whom" className="flex gap-2">
        <Choice chosen={by === 'owner'} className="flex-1 text-lg" onClick={() => setBy('owner')}>
          the owner’s own
        </Choice>
        <Choice chosen={by === 'vet'} className="flex-1 text-lg" onClick={() => setBy('vet')}>
          from a vet
        </Choice>
      </div>
      <TextField
        className="min-h-14 text-lg"
        label={by === 'vet' ? 'Which vet' : 'Who says so'}
        value={by === 'vet' && who === table.visit.owner.name ? '' : who}
        maxLength={120}
        onChange={(event) => setWho(event.target.value)}
      />
      <DayField
        className="min-h-14 text-lg"
        label="Until (empty: until somebody says otherwise)"
        min={table.facts.today}
        value={until}
        onChange={(event) => setUntil(event.target.value)}
      />
      <Button type="submit" look="main" className="min-h-16! text-lg" disabled={!fits}>
        Keep it
      </Button>
    </form>
  );
}

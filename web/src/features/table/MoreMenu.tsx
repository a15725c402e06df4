import type { MessageKind } from '@dewpond/core/messages';
import { CHOICES, HOME_CHOICES, type DogChoice } from '@dewpond/core/reasons';
import { addDays, type Day } from '@dewpond/core/units';
import { stepsToAdd } from '@dewpond/core/visit';
import { tapped } from '@dewpond/core/events';
import { titleWords } from '@dewpond/core/steps';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { usePreferences } from '../../browser/preferences';
import { useOnline } from '../../browser/useOnline';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { TextField } from '../../ui/Field';
import { SelectField } from '../../ui/SelectField';
import { v7 } from 'uuid';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { ComesBack } from './ComesBack';
import { BroughtDialog } from './door/BroughtDialog';
import type { TableWork } from './useTable';
import { record } from './visitLog';

interface MoreProps {
  readonly table: TableWork;
  readonly onIncident: () => void;
  readonly onClose: () => void;
}

/** What is not the next step: an incident, another step, an end before the end. */
export function MoreMenu({ table, onIncident, onClose }: MoreProps) {
  const [doing, setDoing] = useState<'adding' | 'bottle' | 'going home' | MessageKind | null>(null);
  const online = useOnline();
  const { handedness, setHandedness } = usePreferences();
  return (
    <Dialog open onClose={onClose} title={`${table.visit.dog.name}: more`} tall>
      {doing === null && (
        <div className="flex flex-col gap-2">
          <Button look="stop" className="min-h-16! text-lg" onClick={onIncident}>
            Something went wrong: nick, burn, quick, bite, fall, escape, product in the eye, skin reacts
          </Button>
          <div className="grid grid-cols-2 gap-2">
            <Button className="min-h-16! text-lg" disabled={!online} onClick={() => setDoing('nearly ready')}>
              Tell the owner: nearly ready
            </Button>
            <Button className="min-h-16! text-lg" disabled={!online} onClick={() => setDoing('please ring')}>
              Ask the owner to ring
            </Button>
          </div>
          {!online && <p className="text-soft">Messages need a network.</p>}
          <Button className="min-h-16! text-lg" onClick={() => setDoing('bottle')}>
            A bottle was brought
          </Button>
          <Button className="min-h-16! text-lg" onClick={() => setDoing('adding')}>
            Add a step
          </Button>
          <Button className="min-h-16! text-lg" onClick={() => setDoing('going home')}>
            The dog goes home now
          </Button>
          <Button
            look="quiet"
            className="min-h-16! text-lg"
            onClick={() => setHandedness(handedness === 'right' ? 'left' : 'right')}
          >
            Big button under the {handedness === 'right' ? 'left' : 'right'} thumb
          </Button>
        </div>
      )}
      {(doing === 'nearly ready' || doing === 'please ring') && (
        <MessageDialog about={{ kind: doing, dogId: table.visit.dog.id, visitId: table.visit.id }} onClose={onClose} />
      )}
      {doing === 'bottle' && <BroughtDialog table={table} onClose={onClose} />}
      {doing === 'adding' && <AddStep table={table} onDone={onClose} />}
      {doing === 'going home' && <GoesHome table={table} onDone={onClose} />}
    </Dialog>
  );
}

function AddStep({ table, onDone }: { readonly table: TableWork; readonly onDone: () => void }) {
  const [title, setTitle] = useState('');
  const open = table.steps.filter((step) => step.barred === null && table.state.steps[step.id] === undefined);
  const [before, setBefore] = useState(open[0]?.id ?? '');
  const ofTheTrade = useMemo(() => stepsToAdd(table.before, table), [table]);
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (title.trim() === '') return;
        record({ type: 'step added', step: `added ${v7().slice(-12)}`, title: title.trim(), before: before || null });
        onDone();
      }}
    >
      {ofTheTrade.length > 0 && (
        <div role="group" aria-label="Not booked today" className="grid grid-cols-2 max-md:grid-cols-1 gap-2">
          <p className="col-span-full text-soft">
            Not booked today. It comes where it belongs, counts as done and is told to the owner.
          </p>
          {ofTheTrade.map((step) => (
            <Button
              key={step.id}
              className="min-h-14!"
              onClick={() => {
                record({ type: 'step added', step: step.id, title: titleWords(step.title), before: null });
                onDone();
              }}
            >
              {titleWords(step.title)}
            </Button>
          ))}
        </div>
      )}
      <TextField
        className="min-h-14"
        label={ofTheTrade.length > 0 ? 'Or something else' : 'What is to be done'}
        value={title}
        maxLength={120}
        onChange={(event) => setTitle(event.target.value)}
      />
      <SelectField
        className="min-h-14"
        label="Before"
        value={before}
        onChange={(event) => setBefore(event.target.value)}
      >
        {open.map((step) => (
          <option key={step.id} value={step.id}>
            {titleWords(step.title)}
          </option>
        ))}
      </SelectField>
      <Button type="submit" look="main" className="min-h-16! text-lg" disabled={title.trim() === ''}>
        Add it
      </Button>
    </form>
  );
}

/** An early end: for good, or to be finished another day. Plugs and wet coats are seen to first. */
function GoesHome({ table, onDone }: { readonly table: TableWork; readonly onDone: () => void }) {
  const navigate = useNavigate();
  const { day } = table.visit;
  const plugIn = Object.values(table.state.plugs).includes('in');
  const [because, setBecause] = useState<DogChoice>(HOME_CHOICES[0]);
  const go = (back: Day | null) => {
    record({ type: 'went home', because: tapped(because), back });
    onDone();
    if (back !== null) void navigate('/');
  };
  if (plugIn) return <p className="text-stop font-bold text-lg">A plug is still in. Take it out first.</p>;
  return (
    <div className="flex flex-col gap-3">
      <div role="group" aria-label="Why" className="grid grid-cols-2 gap-2">
        {HOME_CHOICES.map((each) => (
          <Button
            key={each}
            look={because === each ? 'main' : 'plain'}
            className="min-h-14!"
            onClick={() => setBecause(each)}
          >
            {CHOICES[each]}
          </Button>
        ))}
      </div>
      <ComesBack today={day} usually={addDays(day, 1)} words="Home now, finished then" onHome={go} />
      <Button look="stop" className="min-h-16! text-lg" onClick={() => go(null)}>
        Home for good: close what is left
      </Button>
    </div>
  );
}

import type { DogView } from '@dewpond/contract';
import type { Traits } from '@dewpond/core/catalogue';
import { type PlanChange } from '@dewpond/core/changes';
import { TASKS } from '@dewpond/core/tasks';
import { ALL_HOUSE_QUESTIONS, HOUSE_QUESTIONS, type HouseQuestion } from '@dewpond/core/ways';
import { namePlace } from '@dewpond/core/places';
import { differenceWords } from '@dewpond/core/wording';
import { group } from 'd3-array';
import { useMemo, useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Chip, type Tone } from '../../../ui/Chip';
import { Dialog } from '../../../ui/Dialog';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { TraitSelects } from '../../../parts/dogs/TraitSelects';
import { InstructionChoices } from './InstructionChoices';
import {
  NOTHING_TRIED,
  type ChoicesProps,
  triedCount,
  tryTrait,
  tryWay,
  whatWouldChange,
  type Scratch,
} from './whatIf';

interface WhatIfProps {
  readonly dog: DogView;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** A scratch copy of the dog: change what it is like or how the business works, and see the plan change before anything is saved. */
export function WhatIfDialog({ dog, open, onClose }: WhatIfProps) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`What if ${dog.profile.name}…`}
      says="Nothing is saved until you say so."
      tall
      wide
    >
      {open && <Trying dog={dog} onDone={onClose} />}
    </Dialog>
  );
}

function Trying({ dog, onDone }: { readonly dog: DogView; readonly onDone: () => void }) {
  const [scratch, setScratch] = useState<Scratch>(NOTHING_TRIED);
  const changes = useMemo(() => whatWouldChange(dog, scratch), [dog, scratch]);
  const save = useWrite('PUT /api/dogs/:id', {
    write: () =>
      call('PUT /api/dogs/:id', {
        id: dog.id,
        body: { version: dog.version, profile: { ...dog.profile, seen: { ...dog.profile.seen, ...scratch.traits } } },
      }),
    onSuccess: () => {
      tell('Noted as seen today. The plan follows it.');
      onDone();
    },
    tells: true,
  });
  const tried = Object.keys(scratch.traits).length;
  return (
    <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-6 items-start">
      <div className="flex flex-col gap-5">
        <TraitChoices dog={dog} scratch={scratch} set={setScratch} />
        <InstructionChoices dog={dog} scratch={scratch} set={setScratch} />
        <WayChoices dog={dog} scratch={scratch} set={setScratch} />
      </div>
      <div className="flex flex-col gap-3 lg:sticky lg:top-0">
        <div className="flex flex-wrap gap-2">
          <Button look="main" disabled={tried === 0 || save.isPending} onClick={() => save.mutate()}>
            Note as seen on this dog
          </Button>
          <Button look="quiet" onClick={() => setScratch(NOTHING_TRIED)}>
            As it was
          </Button>
        </div>
        <section aria-label="What would change" aria-live="polite">
          <Changes changes={changes} tried={triedCount(scratch) > 0} />
        </section>
      </div>
    </div>
  );
}

const KINDS: Readonly<Record<PlanChange['kind'], { readonly words: string; readonly tone: Tone }>> = {
  new: { words: 'new', tone: 'good' },
  changed: { words: 'changed', tone: 'pond' },
  gone: { words: 'gone', tone: 'watch' },
};

function Changes({ changes, tried }: { readonly changes: readonly PlanChange[]; readonly tried: boolean }) {
  if (changes.length === 0)
    return (
      <p className="text-soft">
        {tried ? 'The plan stays as it is.' : 'Change something: what the plan would then do is shown here.'}
      </p>
    );
  return (
    <ul className="flex flex-col gap-2">
      {[
        ...group(changes, ({ task, kind, differences }) => [task, kind, ...differences.map(differenceWords)].join('|')),
      ].map(([key, alike]) => (
        <li key={key} className="rounded-xl border border-line px-3 py-2">
          <p className="flex items-center justify-between gap-3 font-semibold">
            <span>{whereWords(alike)}</span>
            {alike[0] && <Chip tone={KINDS[alike[0].kind].tone}>{KINDS[alike[0].kind].words}</Chip>}
          </p>
          {alike[0]?.differences.map(differenceWords).map((words) => (
            <p key={words} className="text-[15px]">
              {words}
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** "Clean ears, left ear, right ear": sides that change alike stand together. */
const whereWords = (alike: readonly PlanChange[]): string =>
  [alike[0] ? TASKS[alike[0].task].name : '', ...alike.flatMap(({ place }) => (place ? [namePlace(place)] : []))].join(
    ', ',
  );

function TraitChoices({ dog, scratch, set }: ChoicesProps) {
  const traits = { ...dog.facts.traits, ...scratch.traits };
  const change = (tried: Partial<Traits>) => {
    for (const [key, value] of Object.entries(tried)) set(tryTrait(scratch, dog, key as keyof Traits, value));
  };
  return (
    <section aria-label="If it were different">
      <h3 className="font-semibold mb-2">If it were different</h3>
      <div className="grid grid-cols-3 max-md:grid-cols-2 gap-3">
        <TraitSelects traits={traits} onChange={change} />
      </div>
    </section>
  );
}

function WayChoices({ dog, scratch, set }: ChoicesProps) {
  const ways = { ...dog.facts.ways, ...scratch.ways };
  return (
    <section aria-label="If the business worked differently">
      <h3 className="font-semibold mb-2">If the business worked differently</h3>
      <div className="grid grid-cols-2 max-md:grid-cols-1 gap-3">
        {ALL_HOUSE_QUESTIONS.map((question: HouseQuestion) => (
          <SelectField
            key={question}
            label={HOUSE_QUESTIONS[question].asks}
            value={ways[question]}
            onChange={(event) => set(tryWay(scratch, dog, question, event.target.value))}
          >
            {HOUSE_QUESTIONS[question].schools.map((school) => (
              <option key={school.id} value={school.id}>
                {school.words}
              </option>
            ))}
          </SelectField>
        ))}
      </div>
      <p className="text-sm text-soft mt-2">
        Schools are chosen for all dogs under House ways; here they are only tried.
      </p>
    </section>
  );
}

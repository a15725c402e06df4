import type { KeptView } from '@dewpond/contract';
import { KEPT_KINDS, RETENTION, type KeptKind, type Retention } from '@dewpond/core/ways';
import { day, showDayOfYear } from '@dewpond/core/units';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../../api/call';
import { locale } from '../../../browser/locale';
import { useMay, useWhoMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { classes } from '../../../ui/classes';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';

/** For how long what is kept: what goes with a choice is shown before it is made. */
export function KeptScreen() {
  const may = useMay('say what is kept');
  const whoMay = useWhoMay('say what is kept');
  const query = useQuery({ queryKey: ['kept'], queryFn: () => call('GET /api/kept'), enabled: may });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-4xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>What is kept</h1>
          <p className="text-soft max-w-xl">
            {whoMay ??
              'Everything, for good, until you choose otherwise. Ask what the law of your place says you must keep, and may.'}
          </p>
        </div>
        <ButtonLink to="/house" look="quiet">
          House ways
        </ButtonLink>
      </header>
      {may && (
        <Waiting query={query} what="What is kept">
          {(view) => <Kept key={view.version} view={view} />}
        </Waiting>
      )}
    </div>
  );
}

export const inYears = (months: number): string =>
  months % 12 !== 0 ? `${months} months` : months === 12 ? 'a year' : `${months / 12} years`;

function Kept({ view }: { readonly view: KeptView }) {
  const [chosen, setChosen] = useState<Retention>(view.retention);
  const changed = KEPT_KINDS.some((kind) => chosen[kind] !== view.retention[kind]);
  const save = useWrite('PUT /api/kept', {
    write: () => call('PUT /api/kept', { body: { version: view.version, retention: { ...chosen } } }),
    onSuccess: () => tell('Chosen. What is older goes in the night to come, and every night after.'),
    tells: true,
  });
  const choose = (kind: KeptKind, months: number | null) => {
    const { [kind]: _, ...rest } = chosen;
    setChosen(months === null ? rest : { ...rest, [kind]: months });
  };
  const going = KEPT_KINDS.filter((kind) => countOf(view, kind, chosen[kind]).count > 0);
  return (
    <>
      <Card title="How long">
        <ul className="divide-y divide-line">
          {KEPT_KINDS.map((kind) => (
            <Line
              key={kind}
              kind={kind}
              view={view}
              months={chosen[kind]}
              onChoose={(months) => choose(kind, months)}
            />
          ))}
        </ul>
      </Card>
      {changed && (
        <div
          className={classes(
            'rounded-card border p-4 flex flex-wrap items-center gap-4 justify-between',
            going.length === 0 ? 'border-line bg-surface' : 'border-watch bg-watch-pale',
          )}
        >
          <p className={classes('font-semibold max-w-xl', going.length > 0 && 'text-watch')}>
            {going.length === 0
              ? 'Nothing is that old yet: nothing goes now.'
              : 'What is told above goes in the night to come, from three o’clock. It does not come back, but from a backup.'}
          </p>
          <span className="flex gap-3">
            <Button look="quiet" onClick={() => setChosen(view.retention)}>
              As it was
            </Button>
            <Button look={going.length === 0 ? 'main' : 'stop'} disabled={save.isPending} onClick={() => save.mutate()}>
              Keep it so
            </Button>
          </span>
        </div>
      )}
    </>
  );
}

const countOf = (view: KeptView, kind: KeptKind, months: number | undefined): KeptView['goes'][KeptKind][string] =>
  (months === undefined ? undefined : view.goes[kind][months]) ?? { count: 0, oldest: null };

const FOR_GOOD = 'for good';

interface LineProps {
  readonly kind: KeptKind;
  readonly view: KeptView;
  readonly months: number | undefined;
  readonly onChoose: (months: number | null) => void;
}

function Line({ kind, view, months, onChoose }: LineProps) {
  const { name, says, after } = RETENTION[kind];
  const { count, oldest } = countOf(view, kind, months);
  return (
    <li className="py-3 grid grid-cols-[1fr_12rem] max-md:grid-cols-1 gap-x-6 gap-y-2 items-start">
      <span>
        <b>{name}</b>
        <span className="block text-soft">{says}</span>
        {months !== undefined && (
          <span className={count > 0 ? 'block mt-1 font-semibold text-watch' : 'block mt-1 text-soft'}>
            {count === 0
              ? 'None is that old.'
              : `${count.toLocaleString(locale())} ${count === 1 ? 'is' : 'are'} older${oldest ? `, the oldest of ${showDayOfYear(day(oldest), locale())}` : ''}.`}
          </span>
        )}
      </span>
      <SelectField
        label={`${name}: kept`}
        labelHidden
        value={months === undefined ? FOR_GOOD : String(months)}
        onChange={({ target }) => onChoose(target.value === FOR_GOOD ? null : Number(target.value))}
      >
        <option value={FOR_GOOD}>for good</option>
        {after.map((each) => (
          <option key={each} value={each}>
            for {inYears(each)}
          </option>
        ))}
      </SelectField>
    </li>
  );
}

import type { MixView } from '@dewpond/contract';
import { usedMillilitres } from '@dewpond/core/dilution';
import { standIns } from '@dewpond/core/needs';
import { millilitres, showVolume } from '@dewpond/core/units';
import type { BathTask } from '@dewpond/core/dog';
import type { Happening } from '@dewpond/core/events';
import { useState } from 'react';
import { useBusiness } from '../../data/queries';
import { useUnits } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { VolumeField } from '../../forms/VolumeField';
import { SourceMark } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import { BathTrouble } from '../../parts/mixing/BathTrouble';
import { OpenMixes } from './OpenMixes';
import { mixesToday } from './door/brought';
import { mixChoices } from './mixChoices';
import type { TableWork } from './useTable';
import { record, serverNow } from './visitLog';

const TAPS = ['as planned', 'a bit more', 'double'] as const;

interface UsedProps {
  readonly table: TableWork;
  readonly asks: boolean;
}

/** What to take for this part of the bath, and why this product. */
export const TakeMix = ({ table, parts }: { readonly table: TableWork; readonly parts: readonly BathTask[] }) =>
  parts.length === 0 ? null : (
    <>
      <BathTrouble bath={table.bath} />
      <Mixes table={table} parts={parts} asks={false} />
    </>
  );

/** What was used of it: one tap, and the dog's factor learns. */
export const UsedMix = ({ table, parts }: { readonly table: TableWork; readonly parts: readonly BathTask[] }) => (
  <Mixes table={table} parts={parts} asks />
);

function Mixes({ table, parts, asks }: UsedProps & { readonly parts: readonly BathTask[] }) {
  const bottles = useBusiness().data?.bottles ?? [];
  const views = mixesToday(table, bottles).filter(({ tasks }) =>
    tasks.some((task) => parts.some((part) => part === task)),
  );
  if (views.length === 0) return null;
  return (
    <div className="flex flex-col gap-4 mt-2">
      {views.map((view) => (
        <OneMix key={view.product.id} view={view} parts={parts} table={table} asks={asks} />
      ))}
    </div>
  );
}

interface OneMixProps extends UsedProps {
  readonly view: MixView;
  readonly parts: readonly BathTask[];
}

function OneMix({ view, parts, table, asks }: OneMixProps) {
  const units = useUnits();
  const { product, mix, tasks } = view;
  const part = parts.find((each) => tasks.includes(each));
  const chosen = part && table.bath?.[part];
  const isRest = !asks && part === 'second wash' && tasks.includes('bath');
  const planned = millilitres(mix.need);
  const used = table.state.used.find((each) => each.product === product.id);
  const tell = (ml: number, how: Extract<Happening, { type: 'used' }>['how']) =>
    record(...onlyMix(view, table, serverNow()), {
      type: 'used',
      product: product.id,
      name: product.name,
      ml: Math.round(ml),
      planned: Math.round(planned),
      how,
      tasks,
    });
  return (
    <section aria-label={product.name}>
      <p className="text-lg">
        <b>{product.name}</b>
        {product.strength && ` ${product.strength}`}:{' '}
        {showVolume(isRest ? millilitres(view.working.wash2) : planned, units)}
        {asks ? ' planned. Used?' : product.strength ? ' of mix' : ''}
        {isRest && ', what is left of the first'}
        {!asks && !isRest && tasks.includes('bath') && tasks.includes('second wash') && ', for both washes'}
      </p>
      {!asks && chosen && (
        <p className="text-soft first-letter:uppercase">
          {chosen.because} <SourceMark roomy source={chosen.source} />
        </p>
      )}
      {!asks && <OpenMixes view={view} table={table} />}
      {asks && (
        <>
          <div className="flex gap-2 mt-1.5">
            {TAPS.map((how) => (
              <button
                key={how}
                type="button"
                aria-pressed={used?.how === how}
                onClick={() => tell(usedMillilitres(how, planned), how)}
                className={classes(
                  'flex-1 rounded-xl border min-h-15 font-semibold',
                  used?.how === how ? 'bg-pond text-on-pond border-pond' : 'border-line bg-surface hover:bg-pond-pale',
                )}
              >
                <span className="block first-letter:uppercase">{how}</span>
                <span className="block text-sm font-normal">{showVolume(usedMillilitres(how, planned), units)}</span>
              </button>
            ))}
          </div>
          <RanOut table={table} view={view} planned={planned} />
          <Exactly
            label={`${product.name}, exactly`}
            told={used?.how === 'measured' ? used.ml : null}
            planned={planned}
            onTell={(ml) => tell(ml, 'measured')}
          />
        </>
      )}
    </section>
  );
}

/** It ran out, and something else of the shelf was used instead: the dog's factor learns nothing from that. */
function RanOut({
  table,
  view: { product, tasks },
  planned,
}: {
  readonly table: TableWork;
  readonly view: MixView;
  readonly planned: number;
}) {
  const [open, setOpen] = useState(false);
  const [ml, setMl] = useState(0);
  const [all, setAll] = useState(false);
  const shelf = (useBusiness().data?.products ?? []).filter((each) => each.archivedOn === null);
  const others = standIns(product, table.facts, table.plan, tasks, shelf);
  const [chosen, setChosen] = useState<(typeof others)[number] | null>(null);
  const stood = table.state.used.find((each) => each.insteadOf === product.id);
  if (others.length === 0) return null;
  if (!open)
    return (
      <button type="button" className="text-pond underline min-h-14 px-1 mr-4" onClick={() => setOpen(true)}>
        {stood ? `Ran out: ${stood.name} instead` : 'It ran out, something else was used'}
      </button>
    );
  return (
    <form
      aria-label={`Instead of ${product.name}`}
      className="flex flex-wrap items-end gap-2 mt-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (!chosen) return;
        const { id, name } = chosen.product;
        record(
          {
            type: 'used',
            product: id,
            name,
            ml: Math.round(ml),
            planned: Math.round(planned),
            how: 'substituted',
            insteadOf: product.id,
            tasks,
          },
          ...(chosen.against === null ? [] : [wrongProduct({ id, name }, chosen.against)]),
        );
        setOpen(false);
      }}
    >
      {others
        .filter(({ against }) => all || against === null)
        .map((each) => (
          <Button
            key={each.product.id}
            look={chosen?.product.id === each.product.id ? 'main' : each.against === null ? 'plain' : 'stop'}
            aria-pressed={chosen?.product.id === each.product.id}
            className="min-h-14!"
            onClick={() => setChosen(each)}
          >
            {each.product.name}
          </Button>
        ))}
      {!all && others.some(({ against }) => against !== null) && (
        <button type="button" className="text-pond underline min-h-14 px-1" onClick={() => setAll(true)}>
          It was another one
        </button>
      )}
      {chosen && chosen.against !== null && (
        <p role="alert" className="w-full rounded-xl bg-stop-pale text-stop font-semibold px-3 py-2">
          {chosen.product.name} {chosen.against}. If it was used all the same, tell it: an incident is opened, and
          whoever said it is told.
        </p>
      )}
      {chosen && (
        <>
          <VolumeField label={`${chosen.product.name}, how much`} ml={ml} onMl={setMl} className="min-h-14 text-xl" />
          <Button
            type="submit"
            look={chosen.against === null ? 'main' : 'stop'}
            className="min-h-14!"
            disabled={!(ml > 0)}
          >
            {chosen.against === null ? 'Tell' : 'It was used'}
          </Button>
        </>
      )}
    </form>
  );
}

/** What it should not have had, as an incident: to be followed, and told to whoever spoke against it. */
const wrongProduct = (product: { readonly id: string; readonly name: string }, why: string): Happening => ({
  type: 'incident',
  incident: { kind: 'wrong product', place: null, done: `${product.name} ${why}`, told: '', words: '', product },
});

/** Where just one mix of the bench can be it and none was taken, telling what was used takes it, too. */
function onlyMix({ product }: MixView, table: TableWork, now: number): Happening[] {
  if (table.state.mixes.some((each) => each.product === product.id)) return [];
  const fresh = mixChoices(table.visit, product, now).filter(({ may }) => may.kind === 'yes');
  const [only] = fresh;
  if (!only || fresh.length > 1) return [];
  return [{ type: 'mix taken', mix: only.mix.id, product: product.id, override: null }];
}

interface ExactlyProps {
  readonly label: string;
  /** What was told exactly before, ml. */
  readonly told: number | null;
  readonly planned: number;
  readonly onTell: (ml: number) => void;
}

/** The exact amount, for who reads the mark; folded away, since a tap is quicker. */
function Exactly({ label, told, planned, onTell }: ExactlyProps) {
  const [open, setOpen] = useState(told !== null);
  const [ml, setMl] = useState(told ?? Math.round(planned));
  if (!open)
    return (
      <button type="button" className="text-pond underline min-h-14 px-1" onClick={() => setOpen(true)}>
        Tell it exactly
      </button>
    );
  return (
    <form
      className="flex items-end gap-2 mt-2 max-w-sm"
      onSubmit={(event) => {
        event.preventDefault();
        onTell(ml);
      }}
    >
      <VolumeField label={label} ml={ml} onMl={setMl} className="min-h-14 text-xl" />
      <Button type="submit" look={told === ml ? 'main' : 'plain'} className="min-h-14!" aria-pressed={told === ml}>
        {told === ml ? 'Told' : 'Tell'}
      </Button>
    </form>
  );
}

import type { MadeMixView } from '@dewpond/contract';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { millilitres, showVolume, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { z } from 'zod';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { showDay, clock, dayOf } from '../../../browser/times';
import { fresh, useDraft } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { Button } from '../../../ui/Button';
import { Chip } from '../../../ui/Chip';
import { Dialog } from '../../../ui/Dialog';
import { SourceMark } from '../../../ui/SourceMark';
import { VolumeField } from '../../../forms/VolumeField';
import { classes } from '../../../ui/classes';
import { tell } from '../../../ui/tell';
import type { Shares } from './shares';
import { PourList } from './PourList';
import { TickBox } from './TickBox';
import { May } from '../../../parts/May';

export const labelsOf = (mixes: readonly Pick<MadeMixView, 'id'>[]): string =>
  `/api/mixes/labels.pdf?ids=${mixes.map(({ id }) => id).join(',')}`;

type MixState = 'past' | 'dry' | 'ready';
interface ListProps {
  readonly mixes: readonly MadeMixView[];
  readonly shares: Shares;
  readonly kind: MixState;
  readonly zone: string;
}

/** Bottles that stand at the bench. */
export const OpenMixList = ({ mixes, ...rest }: ListProps) => (
  <ul
    className={classes(
      'grid max-md:grid-cols-1 gap-3.5',
      rest.kind === 'past' ? 'grid-cols-1' : 'grid-cols-[repeat(auto-fill,minmax(330px,1fr))]',
    )}
  >
    {mixes.map((mix) => (
      <OpenMixRow key={mix.id} mix={mix} {...rest} />
    ))}
  </ul>
);

function OpenMixRow({ mix, shares, kind, zone }: Omit<ListProps, 'mixes'> & { readonly mix: MadeMixView }) {
  const units = useUnits();
  const [pouring, setPouring] = useState(false);
  const volume = (ml: number) => showVolume(millilitres(ml), units);
  const water = useStep(mix);
  const share = mix.leftMl / mix.totalMl;
  return (
    <li
      className={classes(
        'bg-surface border rounded-card px-4 py-3.5 flex gap-3.5 break-inside-avoid',
        kind === 'past' ? 'border-stop' : 'border-line',
      )}
    >
      <BottleDrawing
        product={mix.productMl * (kind === 'dry' ? 1 : share)}
        water={kind === 'dry' ? 0 : (mix.totalMl - mix.productMl) * share}
        brim={mix.bottle.brim}
        graduation={mix.bottle.graduation}
        height={kind === 'past' ? 76 : 130}
        struck={kind === 'past'}
        label={`${mix.bottle.name}, ${volume(mix.leftMl)} left`}
      />
      <div className={classes('min-w-0 flex-1', kind === 'past' && 'flex flex-wrap items-center gap-x-5 gap-y-1')}>
        <p className={classes('font-bold', kind === 'past' && 'line-through')}>
          {mix.bottle.name}: {mix.product.name} {mix.strength}
        </p>
        {mix.forDog && <Chip tone="watch">only for {mix.forDog.name}</Chip>}
        {kind === 'dry' ? (
          <p className="text-[24px] font-bold leading-tight">water to {volume(mix.totalMl)}</p>
        ) : (
          <p>
            {volume(mix.leftMl)} of {volume(mix.totalMl)} left
            {mix.had.length > 0 && `, used for ${mix.had.join(', ')}`}
          </p>
        )}
        <p className="text-sm text-soft">
          measured {showDay(dayOf(mix.measuredAt, zone) as Day)}, {clock(mix.measuredAt, zone)} by {mix.by}
          {mix.lots.length > 0 && `, lot ${mix.lots.join(', ')}`}
        </p>
        {kind === 'past' ? (
          <p className="text-stop font-semibold">
            Past its time since the end of its day.{' '}
            <SourceMark source={COMMON_PRACTICE} because="A mix holds no preservative." />
          </p>
        ) : (
          <PourList pours={shares.get(mix.id) ?? []} />
        )}
        {kind === 'dry' && <TickBox />}
        <div className={classes('no-print flex flex-wrap gap-2', kind === 'past' ? 'ml-auto' : 'mt-2')}>
          {kind === 'dry' && (
            <May deed="mix">
              <Button look="main" disabled={water.isPending} onClick={() => water.mutate({ step: 'watered' })}>
                Water is in
              </Button>
            </May>
          )}
          {kind === 'ready' && (
            <May deed="mix">
              <Button look="quiet" disabled={water.isPending} onClick={() => water.mutate({ step: 'used up' })}>
                Used up
              </Button>
            </May>
          )}
          <May deed="mix">
            <Button look={kind === 'past' ? 'stop' : 'quiet'} onClick={() => setPouring(true)}>
              Pour away
            </Button>
          </May>
          {kind !== 'past' && (
            <a
              href={labelsOf([mix])}
              target="_blank"
              rel="noreferrer"
              aria-label={`Label for ${mix.bottle.name}`}
              className="rounded-xl border border-line font-semibold px-4 min-h-11 inline-flex items-center hover:bg-pond-pale"
            >
              Label
            </a>
          )}
        </div>
      </div>
      {pouring && <PourAway mix={mix} onClose={() => setPouring(false)} />}
    </li>
  );
}

type MixAction = { step: 'watered' } | { step: 'used up' } | { step: 'poured away'; leftMl: number };
const DONE: Readonly<Record<MixAction['step'], string>> = {
  watered: 'Water is in: ready.',
  'used up': 'Used up. Wash the bottle.',
  'poured away': 'Poured away. Wash the bottle.',
};

function useStep(mix: MadeMixView) {
  return useWrite('PUT /api/mixes/:id', {
    write: (_, step: MixAction) => call('PUT /api/mixes/:id', { id: mix.id, body: { version: mix.version, ...step } }),
    onSuccess: (_, { step }) => {
      tell(DONE[step]);
    },
    tells: true,
  });
}

/** How much goes down the drain: what is reckoned to be left, or what one sees. */
function PourAway({ mix, onClose }: { readonly mix: MadeMixView; readonly onClose: () => void }) {
  const draft = useDraft(fresh({ leftMl: Math.round(mix.leftMl) }), {
    as: (form) => form,
    fits: z.object({ leftMl: z.number().min(0).max(mix.totalMl, { error: 'That is more than went in.' }) }),
  });
  const step = useStep(mix);
  return (
    <Dialog open onClose={onClose} title={`Pour away: ${mix.bottle.name}`} says="What was left counts as waste.">
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={draft.submit(({ leftMl }) => step.mutate({ step: 'poured away', leftMl }, { onSuccess: onClose }))}
      >
        <VolumeField
          label="Left in it"
          ml={draft.form.leftMl}
          onMl={(leftMl) => draft.set({ leftMl })}
          error={draft.at('leftMl')}
          autoFocus
          hint="As calculated; read the mark if you can."
        />
        <Button type="submit" look="stop" disabled={step.isPending}>
          Pour away
        </Button>
      </form>
    </Dialog>
  );
}

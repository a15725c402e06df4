import { SIDES } from '@dewpond/core/places';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { BATH_TASKS, PRODUCT_TASKS, namedProduct, type BathTask } from '@dewpond/core/dog';
import type { Task } from '@dewpond/core/tasks';
import { useBusiness } from '../../data/queries';
import type { CardWays } from '@dewpond/core/methods';
import { STAGES, depthToday, foundForSteps, titleWords, type Stage, type Step } from '@dewpond/core/steps';
import { waitsFor } from '@dewpond/core/visit';
import { waysFor } from '@dewpond/core/work';
import { Minus } from 'lucide-react';
import { Button } from '../../ui/Button';
import { SourceMark, SourcedLine } from '../../ui/SourceMark';
import { classes } from '../../ui/classes';
import { ShowHow } from '../../parts/methods/ShowHow';
import { Ahead } from './Ahead';
import { CleanDown } from './CleanDown';
import { Crust } from './Crust';
import { EarHair } from './EarHair';
import { FinishWith } from './FinishWith';
import { GreasyFlap } from './GreasyFlap';
import { Handover } from './Handover';
import { LeftOut } from './LeftOut';
import { MatPanel } from './MatPanel';
import { NailLengths } from './NailLengths';
import { PadCounter } from './PadCounter';
import { Parts } from './Parts';
import { Pieces } from './Pieces';
import { TimerButton } from './Timers';
import { ToolsUsed } from './ToolsUsed';
import { TakeMix, UsedMix } from './UsedMix';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** The part of the bath that each step takes a product for. */
const TAKEN_AT: Readonly<Partial<Record<Stage, readonly BathTask[]>>> = {
  'wash 1': ['bath'],
  'wash 2': ['second wash'],
  face: ['face wash'],
};

/** One step fills the screen: what to do, how, and whatever it counts. */
export function StepBody({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const waits = waitsFor(table.state, table.steps, step);
  return (
    <div className="max-w-3xl">
      <div className="flex items-center justify-between gap-3">
        <p className="text-soft text-lg">
          {STAGES[step.stage]}
          {step.minutes > 0 && (
            <>
              , about {Math.round(step.minutes)} min <StepMinutes table={table} step={step} />
            </>
          )}
        </p>
        <ShowHow step={step} ways={waysToday(table, step)} />
      </div>
      <h1 className="text-[42px]! max-md:text-[30px]! leading-tight! mb-3">{titleWords(step.title)}</h1>
      <LeftOut step={step} />
      <NamedProduct table={table} step={step} />
      <TakeMix table={table} parts={TAKEN_AT[step.stage] ?? []} />
      <ul className="text-[21px] max-md:text-lg leading-snug flex flex-col mb-4">
        {step.how.map((said) => (
          <li key={said.words}>
            <SourcedLine said={said} />
          </li>
        ))}
      </ul>
      {waits.length > 0 && (
        <p className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3 mb-4">
          First: {waits.map((each) => titleWords(each.title).toLowerCase()).join('; ')}.
        </p>
      )}
      <HairOfTheEar table={table} step={step} />
      {step.stage === 'nails' && <NailLengths table={table} />}
      {step.stage === 'first clip' && step.pieces.length > 1 && <Pieces table={table} step={step} />}
      {step.parts.length > 0 && step.stage !== 'clean-down' && (
        <Parts
          table={table}
          step={step}
          name="Felt dry"
          all={(left) => `I felt them: ${left === step.parts.length ? 'all' : `the other ${left}`} are dry`}
        />
      )}
      {step.stage === 'clean-down' && <CleanDown table={table} step={step} />}
      {step.id.startsWith('mat ') && step.place && <MatPanel table={table} step={step} place={step.place} />}
      {step.dwell && step.stage !== 'clean-down' && <TimerButton table={table} step={step} dwell={step.dwell} />}
      {step.stage === 'handover' && <Handover table={table} />}
      {step.stage === 'eyes, on the table' && step.place && step.place.side !== 'none' && (
        <Crust table={table} step={step} side={step.place.side} />
      )}
      {step.stage === 'face' && SIDES.map((side) => <Crust key={side} table={table} step={step} side={side} />)}
      {(step.stage === 'ears, first pass' || step.stage === 'wash 1') && <GreasyFlap table={table} step={step} />}
      {step.counts === 'pads' &&
        step.sides.map((side) => <PadCounter key={side} table={table} step={step} side={side} />)}
      {step.counts === 'plugs in' && step.sides.map((side) => <PlugIn key={side} table={table} side={side} />)}
      {step.counts === 'plugs out' && step.sides.map((side) => <PlugOut key={side} table={table} side={side} />)}
      {step.stage === 'last rinse' && <UsedMix table={table} parts={['bath', 'second wash', 'face wash']} />}
      {step.stage === 'conditioner' && <UsedMix table={table} parts={['conditioner']} />}
      {(step.stage === 'first clip' || step.stage === 'comb and tidy') && <ToolsUsed table={table} />}
      <FinishWith table={table} step={step} />
      {step.stage !== 'handover' && <Ahead table={table} step={step} />}
    </div>
  );
}

/** The dog's ways, its ear as deep as today's look asks for: the card says nothing of pouring where nothing is poured. */
function waysToday({ facts, state }: TableWork, { stage, place }: Step): CardWays {
  const ways = waysFor(facts);
  if (stage !== 'ears, first pass' || place === null || place.side === 'none') return ways;
  const found = foundForSteps(state.findings, state);
  return { ...ways, earCleaning: depthToday({ facts, found }, place.side).depth };
}

/**
 * How taking hair out went: in its own step, and where the dog broke off, which ends that step at once, in the next step
 * of the ear.
 */
function HairOfTheEar({
  table,
  step: { id, stage, title, place },
}: {
  readonly table: TableWork;
  readonly step: Step;
}) {
  if (stage !== 'ears, first pass' || place === null || place.side === 'none') return null;
  const went = table.state.earHair[place.side];
  const isItsStep = id.startsWith('ear hair ') && title.id !== 'ear hair trim';
  const own = table.steps.find((each) => each.id === `ear hair ${place.side}`);
  const isEnded = went !== null && own?.barred !== null;
  return isItsStep || isEnded ? <EarHair table={table} side={place.side} /> : null;
}

/** The product that a vet or owner named for this place, in place of the business's. */
function NamedProduct({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const shelf = useBusiness().data?.products ?? [];
  const task = PRODUCT_TASKS.find((each) => !OF_THE_BATH.has(each) && step.pieces.some((piece) => piece.task === each));
  const given = task && namedProduct(table.facts, task, step.place);
  if (!given) return null;
  const product = [...table.state.bottles, ...shelf].find(({ id }) => id === given.productId);
  return (
    <p className="text-lg mb-1">
      With <b>{product?.name ?? 'a product of its own'}</b>
      {product && `, ${product.label}`} <SourceMark roomy source={given.source} />
    </p>
  );
}
const OF_THE_BATH: ReadonlySet<Task> = new Set<Task>(BATH_TASKS);

/** The business's minutes, or this dog's own where its visits have taught them. */
function StepMinutes({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const learned = table.visit.minutesFactor[step.stage];
  return learned === undefined ? (
    <SourceMark roomy source={HOUSE_VALUE} because="The business’s hands-on minutes, by the dog’s size." />
  ) : (
    <SourceMark
      roomy
      source={{ kind: "this dog's record" }}
      because={`The business’s minutes × ${learned.toFixed(2)}, learned from this dog’s visits.`}
    />
  );
}

interface SideProps {
  readonly table: TableWork;
  readonly side: 'left' | 'right';
}

const big = 'min-h-20! text-xl flex-1';

function PlugIn({ table, side }: SideProps) {
  const plug = table.state.plugs[side];
  const isIn = plug === 'in';
  return (
    <div className="flex gap-2 mt-3">
      <Button
        look={isIn ? 'main' : 'plain'}
        aria-pressed={isIn}
        className={big}
        onClick={() => record({ type: 'plug in', side })}
      >
        {isIn ? `In: ${side} ear` : `Put in: ${side} ear`}
      </Button>
      {isIn && (
        <Button
          look="quiet"
          className="min-h-20! min-w-24"
          aria-label={`Take back: ${side} plug is not in`}
          onClick={() => record({ type: 'plug out', side, came: 'dry' })}
        >
          <Minus aria-hidden />
        </Button>
      )}
    </div>
  );
}

function PlugOut({ table, side }: SideProps) {
  const plug = table.state.plugs[side];
  const out = (came: 'dry' | 'damp') => plug === `out, ${came}`;
  return (
    <section className="mt-3">
      <p className={classes('text-lg font-semibold mb-1.5', plug === 'in' && 'text-watch')}>
        {side.replace(/^./, (letter) => letter.toUpperCase())} ear:{' '}
        {plug === 'in' ? 'a plug is in' : plug === 'none' ? 'no plug went in' : plug}
      </p>
      <div className="flex gap-2">
        {(['dry', 'damp'] as const).map((came) => (
          <Button
            key={came}
            look={out(came) ? 'main' : 'plain'}
            aria-pressed={out(came)}
            disabled={plug === 'none'}
            className={big}
            onClick={() => record({ type: 'plug out', side, came })}
          >
            Out, {came}
          </Button>
        ))}
        <Button
          look="stop"
          disabled={plug === 'none'}
          aria-pressed={plug === 'not found'}
          className={big}
          onClick={() => record({ type: 'plug not found', side })}
        >
          Not found
        </Button>
      </div>
      {plug === 'not found' && (
        <p className="text-stop font-semibold mt-1.5">A vet should look today. The owner sheet says so.</p>
      )}
    </section>
  );
}

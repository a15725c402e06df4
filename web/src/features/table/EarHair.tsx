import { nextEarHair } from '@dewpond/core/careplan';
import { HAIR_BORNE, HAIR_CAME, HAIR_LEFT, NO_WORD, type EarHairWork } from '@dewpond/core/dog';
import type { Happening } from '@dewpond/core/events';
import type { Side } from '@dewpond/core/places';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { reasonTold } from '@dewpond/core/wording';
import { Choice } from '../../ui/Choice';
import { SourceMark } from '../../ui/SourceMark';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** Redness from handling fades in one to two hours [common practice]: one looks again while the dog is here. */
const LOOK_AGAIN_SECONDS = 3600;
const LOOK_AGAIN_MOST = 7200;

/** Where the next visit of an ear has no interval of its own, days [house value]. */
const NEXT_VISIT_DAYS = 28;

/** How taking the hair out went: three taps, and what it means for the next time. */
export function EarHair({ table, side }: { readonly table: TableWork; readonly side: Side }) {
  const went = table.state.earHair[side] ?? NO_WORD;
  const say = (more: Partial<EarHairWork>) => {
    const now: EarHairWork = { ...went, ...(more.came === 'all' ? { left: 'none' } : {}), ...more };
    record({ type: 'ear hair went', side, ...now }, ...lookAgain(table, side, now));
  };
  return (
    <section aria-label={`How it went, ${side} ear`} className="flex flex-col gap-3 mb-4">
      <HairChoice name="Came out" all={HAIR_CAME} chosen={went.came} onChoose={(came) => say({ came })} />
      <HairChoice name="The dog" all={HAIR_BORNE} chosen={went.borne} onChoose={(borne) => say({ borne })} />
      <HairChoice name="Still in it" all={HAIR_LEFT} chosen={went.left} onChoose={(left) => say({ left })} />
      <NextTime table={table} side={side} went={went} />
    </section>
  );
}

/** A clock for a second look, once, where hair came out. */
function lookAgain({ state }: TableWork, side: Side, { came }: EarHairWork): Happening[] {
  const timer = `redness ${side}`;
  if (came === null || came === 'none' || state.timers.some((each) => each.timer === timer)) return [];
  const step = `ears, second pass ${side}`;
  return [{ type: 'timer started', timer, step, seconds: LOOK_AGAIN_SECONDS, most: LOOK_AGAIN_MOST }];
}

interface HairChoiceProps<T extends string> {
  readonly name: string;
  readonly all: readonly T[];
  readonly chosen: T | null;
  readonly onChoose: (one: T) => void;
}

function HairChoice<T extends string>({ name, all, chosen, onChoose }: HairChoiceProps<T>) {
  return (
    <div role="group" aria-label={name} className="grid grid-cols-[110px_1fr] max-md:grid-cols-1 items-center gap-x-3">
      <span className="font-semibold">{name}</span>
      <div className="grid grid-cols-4 gap-1.5">
        {all.map((one) => (
          <Choice key={one} className="px-1!" chosen={chosen === one} onClick={() => onChoose(one)}>
            {one}
          </Choice>
        ))}
      </div>
    </div>
  );
}

/** What the plan would decide the next time, were it left so. */
function NextTime({
  table,
  side,
  went,
}: {
  readonly table: TableWork;
  readonly side: Side;
  readonly went: EarHairWork;
}) {
  if (went.came === null && went.borne === null) return null;
  const line = table.plan.lines.find((each) => each.task === 'ear cleaning' && each.place?.side === side);
  const { way, reason } = nextEarHair(table.facts, side, went, line?.interval?.usual ?? NEXT_VISIT_DAYS);
  return (
    <p role="status" className="text-lg">
      Next time: <b>{way}</b>, {reasonTold(reason)}.{' '}
      <SourceMark
        source={COMMON_PRACTICE}
        because="The rule of decision for the hair of an ear, with what was said today."
      />
    </p>
  );
}

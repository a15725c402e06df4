import type { DogView } from '@dewpond/contract';
import { type DueLine } from '@dewpond/core/due';
import { TASKS, taskKey, type Task } from '@dewpond/core/tasks';
import { GRADE_WORDS, namePlace } from '@dewpond/core/places';
import { DOGS_RECORD, HOUSE_VALUE } from '@dewpond/core/provenance';

import { barTold, reasonTold, reasonsTold } from '@dewpond/core/wording';
import { Card } from '../../../ui/Card';
import { Ripple } from '../../../ui/Ripple';
import { SourceMark } from '../../../ui/SourceMark';
import { WindowWords } from './PlanList';
import { showDay } from '../../../browser/times';

/** The reason for one interval: the plan's bounds, this dog's visits, and what they make together. */
export function Why({ dog, asked }: { readonly dog: DogView; readonly asked: string | null }) {
  const chosen = dog.due.find(({ line }) => taskKey(line) === asked) ?? soonest(dog);
  if (!chosen) return <Card title="Why?">Nothing recurs for this dog.</Card>;
  const { line, rhythm } = chosen;
  const name = line.place ? namePlace(line.place) : TASKS[line.task].name.toLowerCase();
  if (line.bars.length > 0) {
    return (
      <Card title={`Why not now: ${name}`}>
        {line.bars.map((bar) => (
          <p key={barTold(bar)} className="first-letter:uppercase">
            {barTold(bar)} <SourceMark source={bar.source} />
          </p>
        ))}
      </Card>
    );
  }
  if (!line.interval)
    return (
      <Card title={`Why: ${name}`}>
        <span className="first-letter:uppercase inline-block">
          {line.earHair ? reasonTold(line.earHair.reason) : 'Decided at the table.'}
        </span>
      </Card>
    );
  const days = rhythm?.interval ?? line.interval.usual;
  return (
    <Card title={`Why ${days} days for ${name}?`}>
      <p>
        The plan: every {line.interval.usual} days, {line.interval.least}–{line.interval.most};{' '}
        {reasonsTold((line.settled?.won ?? []).map((claim) => claim.reason))}.{' '}
        {line.settled?.won.slice(0, 1).map((claim) => (
          <SourceMark key={claim.ruleId} source={claim.source} because={reasonTold(claim.reason)} />
        ))}
      </p>
      {chosen.window && (
        <p className="mt-1.5">
          <WindowWords window={chosen.window} />
        </p>
      )}
      {chosen.spared && (
        <p className="mt-1.5">
          Looked at on {showDay(chosen.spared.day)}: nothing needed. That moved the day on.{' '}
          <SourceMark
            source={HOUSE_VALUE}
            because="A clean look buys a fifth of the days since the last care, a slight one a tenth, at most of one interval. It teaches as well, with all the days since the last care."
          />
        </p>
      )}
      {rhythm && rhythm.evidence.length > 0 ? (
        <Evidence task={line.task} rhythm={rhythm} />
      ) : (
        <p className="mt-1.5 text-soft">
          {rhythm ? 'No visit has taught anything yet.' : 'This interval is not learned.'}
        </p>
      )}
    </Card>
  );
}

/** The worst that is still fine, where it is not "slight dirt". */
const FINDS: Readonly<Partial<Record<Task, string>>> = {
  nails: 'nails no longer than down to the floor',
  'brush-out': 'no more than tangles',
  rear: 'it clean',
};
/** What a grade above that is called. */
const PAST_IT: Readonly<Partial<Record<Task, string>>> = {
  nails: 'Nails click',
  'brush-out': 'Mats',
  rear: 'Soiled',
};

function Evidence({ task, rhythm }: { readonly task: Task; readonly rhythm: NonNullable<DueLine['rhythm']> }) {
  const round = (days: number) => Math.round(days);
  return (
    <>
      <p className="mt-1.5">
        {rhythm.evidence.length} {rhythm.evidence.length === 1 ? 'visit' : 'visits'} of this dog say: 80 % sure to find{' '}
        {FINDS[task] ?? 'no more than slight dirt'} after <b>{rhythm.interval} days</b>.{' '}
        <SourceMark
          source={DOGS_RECORD}
          because={`${PAST_IT[task] ?? 'Plainly dirty'} after about ${round(rhythm.posterior.median)} days (${round(rhythm.posterior.low)}–${round(rhythm.posterior.high)}); with no visits we would have guessed ${round(rhythm.prior.median)}.`}
        />
      </p>
      {rhythm.fasterThanCare && (
        <p className="mt-1.5 text-watch font-semibold">It comes faster than care can follow: tell the owner.</p>
      )}
      {rhythm.clippedBy && !rhythm.fasterThanCare && (
        <p className="mt-1.5 text-soft">Held at the plan’s {rhythm.clippedBy}.</p>
      )}
      <ul className="mt-2 flex flex-wrap gap-x-3 gap-y-1 text-sm text-soft">
        {rhythm.evidence.slice(-6).map(({ day, t, grade }) => (
          <li key={day} className="flex items-center" title={`${showDay(day)}: ${GRADE_WORDS[grade]} after ${t} days`}>
            <Ripple grade={grade} size={28} />
            {t} d
          </li>
        ))}
      </ul>
    </>
  );
}

const soonest = (dog: DogView): DueLine | undefined =>
  dog.due
    .filter((each) => each.window)
    .toSorted((a, b) => (a.window?.ideal ?? '').localeCompare(b.window?.ideal ?? ''))[0];

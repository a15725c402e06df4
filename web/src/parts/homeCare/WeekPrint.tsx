import type { HomeCareView, BusinessProfile } from '@dewpond/contract';
import { addDays, type Day } from '@dewpond/core/units';
import { fillIn, type HomeTaskTold, type PageWords } from '@dewpond/core/wording';
import type { HomeHow } from '@dewpond/core/rules';
import { group } from 'd3-array';
import { OctagonX, X } from 'lucide-react';
import type { CSSProperties } from 'react';
import { MethodDrawing } from '../../drawings/method/MethodDrawing';
import { Wordless } from '../../drawings/method/parts';
import { BathAtHome } from './BathAtHome';
import { WeekGrid } from './WeekGrid';
import { showDay } from '../../browser/times';
import { classes } from '../../ui/classes';

interface PrintedWeekProps {
  readonly business: Pick<BusinessProfile, 'name' | 'phone' | 'colour'>;
  readonly dog: string;
  readonly home: HomeCareView;
  /** The first of the seven days. */
  readonly from: Day;
}

const BATH: HomeHow = 'bath at home';
/** It takes a page of its own. */
const bathLast = ([a]: readonly [HomeHow, unknown], [b]: readonly [HomeHow, unknown]): number =>
  Number(a === BATH) - Number(b === BATH);

/** For the wall beside the towel: which day, what, when to stop and whom to ring; then a picture of how it is done. */
export function PrintedWeek({ business, dog, home, from }: PrintedWeekProps) {
  const { words, language } = home;
  return (
    <article
      lang={language}
      aria-label={fillIn(words.weekTitle, { dog })}
      className="max-w-[880px] mx-auto bg-surface border border-line rounded-card px-10 py-8 max-md:px-4 max-md:py-4 print:border-0 print:p-0 print:max-w-none"
    >
      <p className="flex flex-wrap justify-between gap-x-4">
        <b style={{ '--house': business.colour } as CSSProperties} className="house-ink">
          {business.name}
        </b>
        <span className="text-soft">{business.phone}</span>
      </p>
      <h1 className="text-[28px]! break-words">{fillIn(words.weekTitle, { dog })}</h1>
      <p className="text-soft mb-3">
        {fillIn(words.fromTo, { from: showDay(from, language), to: showDay(addDays(from, 6), language) })}
      </p>
      <div className="overflow-x-auto">
        <WeekGrid home={home} from={from} />
      </div>
      <p className="mt-3 rounded-xl bg-stop-pale text-stop font-semibold px-4 py-2.5">
        {words.stopAtHome}
        {business.phone !== '' && ` ${business.phone}.`}
      </p>
      <ul className="grid grid-cols-2 max-md:grid-cols-1 gap-4 mt-5 print:gap-2">
        {[...group(home.tasks, ({ how }) => how)].toSorted(bathLast).map(([how, tasks]) => (
          <li
            key={how}
            className={classes(
              'rounded-xl border border-line px-3.5 py-3 print:py-1.5',
              how === BATH ? 'col-span-full' : 'break-inside-avoid',
            )}
          >
            {how === BATH && tasks[0] && home.bath?.kind === 'ready' ? (
              <>
                <h2>{words.bathTitle}</h2>
                <BathAtHome bath={home.bath} card={tasks[0].card} words={words} />
              </>
            ) : (
              <>
                <h2>{[...new Set(tasks.map(({ name }) => name))].join(', ')}</h2>
                <HowTo tasks={tasks} words={words} />
              </>
            )}
          </li>
        ))}
      </ul>
      <p className="text-[13px] text-soft mt-4 print:text-[11px]">{words.sourceOfAll}</p>
    </article>
  );
}

/** A picture without words, and under it what the plan asks for, then what an owner never does and when to stop. */
export function HowTo({ tasks, words }: { readonly tasks: readonly HomeTaskTold[]; readonly words: PageWords }) {
  const [first] = tasks;
  if (!first) return null;
  const { drawing, never, stops } = first.card;
  return (
    <>
      {drawing && (
        <div aria-hidden className="h-44 my-1.5 print:h-26 [&>svg]:h-full [&>svg]:mx-auto">
          <Wordless>
            <MethodDrawing drawing={drawing} />
          </Wordless>
        </div>
      )}
      <ul className="text-sm flex flex-col gap-0.5 print:text-[12px] print:leading-snug">
        <li className="font-semibold">{first.words}</li>
        {never.map((line) => (
          <li key={line} className="grid grid-cols-[16px_1fr] gap-1.5">
            <X size={15} role="img" aria-label={words.never} className="text-stop mt-0.5" />
            <span>{line}</span>
          </li>
        ))}
        {stops.map((line) => (
          <li key={line} className="grid grid-cols-[16px_1fr] gap-1.5">
            <OctagonX size={15} role="img" aria-label={words.stop} className="text-watch mt-0.5" />
            <span>{line}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

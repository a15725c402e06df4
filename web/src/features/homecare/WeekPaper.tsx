import type { HomeCareView, Letterhead } from '@dewpond/contract';
import { STOP_AT_HOME, type HomeTask } from '@dewpond/core/homecare';
import { methodOf, type MethodCard } from '@dewpond/core/methods';
import { COMMON_PRACTICE, showSource, type Source as SourceOf } from '@dewpond/core/provenance';
import { addDays, showDay, type Day } from '@dewpond/core/units';
import { group } from 'd3-array';
import { OctagonX, X } from 'lucide-react';
import type { CSSProperties } from 'react';
import { MethodDrawing } from '../../drawings/method/MethodDrawing';
import { SourceMark } from '../../ui/SourceMark';
import { WeekGrid } from './WeekGrid';

interface WeekPaperProps {
  readonly house: Pick<Letterhead, 'name' | 'phone' | 'colour'>;
  readonly dog: string;
  readonly home: HomeCareView;
  /** The first of the seven days. */
  readonly from: Day;
}

/** For the wall beside the towel: which day, what, when to stop and whom to ring; then a picture of how it is done. */
export function WeekPaper({ house, dog, home, from }: WeekPaperProps) {
  return (
    <article
      aria-label={`A week at home for ${dog}`}
      className="max-w-[880px] mx-auto bg-surface border border-line rounded-card px-10 py-8 max-md:px-4 max-md:py-4 print:border-0 print:p-0 print:max-w-none"
    >
      <p className="flex flex-wrap justify-between gap-x-4">
        <b style={{ '--house': house.colour } as CSSProperties} className="house-ink">
          {house.name}
        </b>
        <span className="text-soft">{house.phone}</span>
      </p>
      <h1 className="text-[28px]! break-words">{dog} at home</h1>
      <p className="text-soft mb-3">
        {showDay(from)} to {showDay(addDays(from, 6))}
      </p>
      <div className="overflow-x-auto">
        <WeekGrid home={home} from={from} />
      </div>
      <p className="mt-3 rounded-xl bg-stop-pale text-stop font-semibold px-4 py-2.5">
        {STOP_AT_HOME.words}
        {house.phone !== '' && ` ${house.phone}.`} <Source source={STOP_AT_HOME.source} />
      </p>
      <ul className="grid grid-cols-2 max-md:grid-cols-1 gap-4 mt-5 print:gap-2">
        {[...group(home.tasks, ({ task }) => methodOf(task))].map(([card, tasks]) => (
          <HowTo key={card.id} card={card} tasks={tasks} />
        ))}
      </ul>
      <p className="text-[13px] text-soft mt-4 print:text-[11px]">
        Where nothing else is said: {showSource(COMMON_PRACTICE)}.
      </p>
    </article>
  );
}

/** Where a caution comes from: a tap on a screen; on paper in words, unless it is what the foot says of all. */
const Source = ({ source }: { readonly source: SourceOf }) => (
  <>
    <span className="no-print">
      <SourceMark source={source} />
    </span>
    {showSource(source) !== showSource(COMMON_PRACTICE) && (
      <span className="hidden print:inline text-soft">({showSource(source)})</span>
    )}
  </>
);

/** One picture, and under it what the plan asks for, then what the card says of never and of stopping. */
function HowTo({ card, tasks }: { readonly card: MethodCard; readonly tasks: readonly HomeTask[] }) {
  const [drawing] = card.drawings;
  return (
    <li className="rounded-xl border border-line px-3.5 py-3 break-inside-avoid print:py-1.5">
      <h2>{card.title}</h2>
      {drawing && (
        <div className="h-44 my-1.5 print:h-26 [&>svg]:h-full [&>svg]:mx-auto">
          <MethodDrawing drawing={drawing} />
        </div>
      )}
      <ul className="text-sm flex flex-col gap-0.5 print:text-[12px] print:leading-snug">
        {[...new Set(tasks.map(({ how }) => how))].map((how) => (
          <li key={how} className="font-semibold">
            {how}
          </li>
        ))}
        {card.never.map(({ words, source }) => (
          <li key={words} className="grid grid-cols-[16px_1fr] gap-1.5">
            <X size={15} role="img" aria-label="never" className="text-stop mt-0.5" />
            <span>
              {words} <Source source={source} />
            </span>
          </li>
        ))}
        {card.stops.map(({ words, source }) => (
          <li key={words} className="grid grid-cols-[16px_1fr] gap-1.5">
            <OctagonX size={15} role="img" aria-label="stop" className="text-watch mt-0.5" />
            <span>
              {words} <Source source={source} />
            </span>
          </li>
        ))}
      </ul>
    </li>
  );
}

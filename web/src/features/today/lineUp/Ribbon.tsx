import type { TodayDog, TodayView } from '@dewpond/contract';
import { isLate, type LineUp, type PlacedGroup } from '@dewpond/core/lineup';
import { visitName } from '@dewpond/core/steps';
import { Link } from 'react-router';
import { clock, minuteOf, wallTime } from '../../../browser/times';
import { BeginVisit } from '../../../parts/visits/BeginVisit';
import { BAR, GroupBar } from './GroupBar';
import type { RibbonScale } from './ribbonScale';

export const ROW = 50;
/** Above the first strip, px: the hours. */
export const TOP = 28;
/** What the words of an hour at the edge need beside those of the next, px. */
const ROOM = 62;

interface RibbonProps {
  readonly today: TodayView;
  readonly lineUp: LineUp;
  readonly scale: RibbonScale;
  readonly now: number | null;
  readonly held: string | null;
}

/** The day as strips, one for each dog: its stages, where it waits, when it is ready. */
export function Strips({ today, lineUp, scale, now, held }: RibbonProps) {
  const height = today.dogs.length * ROW;
  return (
    <svg
      width={scale.width}
      height={TOP + height + 20}
      role="group"
      aria-label={`Line-up by dog, ${today.dogs.length} ${today.dogs.length === 1 ? 'dog' : 'dogs'}`}
    >
      <Ground scale={scale} height={height} now={now} />
      {today.dogs.map((dog, row) => (
        <Strip
          key={dog.appointment.id}
          dog={dog}
          today={today}
          placed={lineUp.placed.filter((each) => each.dog === dog.appointment.id)}
          y={TOP + row * ROW}
          scale={scale}
          held={held}
        />
      ))}
    </svg>
  );
}

interface StripProps {
  readonly dog: TodayDog;
  readonly today: TodayView;
  readonly placed: readonly PlacedGroup[];
  readonly y: number;
  readonly scale: RibbonScale;
  readonly held: string | null;
}

function Strip({ dog, today, placed, y, scale, held }: StripProps) {
  const { appointment, groups, byHand } = dog;
  const { x } = scale;
  const comes = minuteOf(appointment.startsAt, today.zone);
  const told = minuteOf(appointment.endsAt, today.zone);
  if (appointment.state === 'done')
    return (
      <g opacity={0.5}>
        <rect x={x(comes)} y={y + 10} width={Math.max(2, x(told) - x(comes))} height={14} rx={7} fill="var(--reed)" />
      </g>
    );
  const ready = placed.at(-1)?.to ?? null;
  const late = ready !== null && isLate(ready, told);
  return (
    <g>
      {waits(comes, placed).map(({ from, to }) => (
        <line
          key={from}
          x1={x(from) + 4}
          x2={x(to) - 3}
          y1={y + BAR / 2}
          y2={y + BAR / 2}
          stroke="var(--pond)"
          strokeWidth={3}
          strokeDasharray="1 5"
          strokeLinecap="round"
        >
          <title>{`in its crate, ${wallTime(from)} to ${wallTime(to)}`}</title>
        </line>
      ))}
      <line x1={x(comes)} x2={x(comes)} y1={y - 3} y2={y + BAR + 3} stroke="var(--ink)" strokeWidth={2} />
      <path d={`M ${x(told) - 4} ${y - 5} h 8 l -4 6 z`} fill={late ? 'var(--stop)' : 'var(--soft)'}>
        <title>{`booked until ${wallTime(told)}`}</title>
      </path>
      {placed.map((each) => {
        const group = groups[each.group];
        if (!group) return null;
        return (
          <GroupBar
            key={group.part}
            placed={each}
            part={group.part}
            stretches={group.stretches}
            y={y}
            scale={scale}
            says={barWords(today, dog, each)}
            isHeld={held === `${each.dog} ${group.part}`}
            isSet={byHand?.pins.some(({ part }) => part === group.part) ?? false}
          />
        );
      })}
      {ready !== null && (
        <text
          x={x(ready) + 5}
          y={y + 21.5}
          fontSize={12.5}
          fontWeight={late ? 700 : 400}
          fill={late ? 'var(--stop)' : 'var(--soft)'}
        >
          {wallTime(ready)}
        </text>
      )}
    </g>
  );
}

/** Where no bar lies: from its time on the dog is here, and waits in its crate. */
function waits(
  comes: number,
  placed: readonly PlacedGroup[],
): readonly { readonly from: number; readonly to: number }[] {
  return placed
    .map(({ from }, i) => ({ from: i === 0 ? comes : placed[i - 1]!.to, to: from }))
    .filter(({ from, to }) => to - from >= 10);
}

export const nameOf = (today: TodayView, id: string): string =>
  today.people.find((each) => each.id === id)?.name ?? 'somebody';

/** "Umber, bath, 9:05 to 9:50, Ines, Jonah helps" */
export function barWords(today: TodayView, { appointment, groups }: TodayDog, placed: PlacedGroup): string {
  const helps = placed.helper === null ? '' : `, ${nameOf(today, placed.helper)} helps`;
  const lifts = placed.lifts
    .map(({ person, from }) => `, ${nameOf(today, person)} lifts at ${wallTime(from)}`)
    .join('');
  const part = groups[placed.group]?.part ?? '';
  return `${appointment.dogName}, ${part}, ${wallTime(placed.from)} to ${wallTime(placed.to)}, ${nameOf(today, placed.person)}${helps}${lifts}`;
}

/** Hours, and where the day is now. */
export function Ground({
  scale,
  height,
  now,
}: {
  readonly scale: RibbonScale;
  readonly height: number;
  readonly now: number | null;
}) {
  const { from, to, width, x } = scale;
  const hours = Array.from({ length: Math.round((to - from) / 60) + 1 }, (_, i) => from + i * 60);
  // An hour needs room for its words; where it is narrow every second one has them.
  const told = width / hours.length < 54 ? 2 : 1;
  const isTold = (hour: number, i: number) =>
    hour === to || (i % told === 0 && (hour === from || (x(hour) - x(from) > ROOM && x(to) - x(hour) > ROOM)));
  return (
    <>
      <defs>
        <pattern id="dwell" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1={0} y1={0} x2={0} y2={6} stroke="var(--pond)" strokeWidth={1.6} />
        </pattern>
        <pattern id="break" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <line x1={0} y1={0} x2={0} y2={7} stroke="var(--line)" strokeWidth={3} />
        </pattern>
      </defs>
      {hours.map((hour, i) => (
        <g key={hour}>
          <line x1={x(hour)} x2={x(hour)} y1={20} y2={TOP + height} stroke="var(--line)" strokeDasharray="1 5" />
          {isTold(hour, i) && (
            <text
              x={x(hour)}
              y={13}
              textAnchor={hour === from ? 'start' : hour === to ? 'end' : 'middle'}
              fontSize={12.5}
              fill="var(--soft)"
            >
              {wallTime(hour)}
            </text>
          )}
        </g>
      ))}
      {now !== null && now >= from && now <= to && (
        <g>
          <line x1={x(now)} x2={x(now)} y1={18} y2={TOP + height} stroke="var(--stop)" strokeWidth={1.6} />
          <text
            x={x(now) + (x(now) > width - 80 ? -5 : 5)}
            y={TOP + height + 14}
            textAnchor={x(now) > width - 80 ? 'end' : 'start'}
            fontSize={12.5}
            fill="var(--stop)"
          >
            now {wallTime(now)}
          </text>
        </g>
      )}
    </>
  );
}

/** Beside each strip: which dog, when it comes for what, with whom. */
export function DogNames({ today, lineUp }: { readonly today: TodayView; readonly lineUp: LineUp }) {
  return (
    <div className="md:pt-7">
      {today.dogs.map(({ appointment, words }) => {
        const person = lineUp.placed.find(({ dog }) => dog === appointment.id)?.person ?? appointment.memberId;
        const isOther = person !== appointment.memberId;
        const ready = lineUp.placed.findLast(({ dog }) => dog === appointment.id)?.to;
        return (
          <div key={appointment.id} className="h-[50px] overflow-hidden">
            <Link to={`/dogs/${appointment.dogId}`} className="font-bold hover:text-pond hover:underline">
              {appointment.dogName}
            </Link>
            <p className="text-[13px] text-soft truncate leading-tight" title={`${visitName(appointment)}, ${words}`}>
              {clock(appointment.startsAt, today.zone)}{' '}
              <span className={isOther ? 'text-watch font-semibold' : ''}>{firstName(nameOf(today, person))}</span>{' '}
              {/* Where there is no room for the strips. */}
              {ready !== undefined && <b className="md:hidden text-ink">ready {wallTime(ready)} </b>}
              {visitName(appointment)}
            </p>
          </div>
        );
      })}
    </div>
  );
}

const firstName = (name: string): string => name.split(' ')[0] ?? name;

export function DogButtons({ dogs }: Pick<TodayView, 'dogs'>) {
  return (
    <div className="md:pt-7">
      {dogs.map(({ appointment, walkIn }) => (
        <div key={appointment.id} className="h-[50px]">
          <BeginVisit
            dogId={appointment.dogId}
            appointmentId={walkIn ? null : appointment.id}
            visitId={appointment.visitId}
            done={appointment.state === 'done'}
            dog={appointment.dogName}
            small
          />
        </div>
      ))}
    </div>
  );
}

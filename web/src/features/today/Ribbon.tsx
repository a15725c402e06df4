import type { TodayDog } from '@dewpond/contract';
import { visitName } from '@dewpond/core/steps';
import { Link } from 'react-router';
import { clock } from '../../browser/times';
import { BeginVisit } from '../../parts/visits/BeginVisit';
import { useWidth } from '../../browser/useWidth';
import { placeBlocks, ribbonSpan } from './ribbonLayout';

const ROW = 46;
const HOUR = 3_600_000;

/** The day as strips of stages; dwell is hatched, so that one sees where the next dog fits. */
export function Ribbon({
  dogs,
  zone,
  now,
}: {
  readonly dogs: readonly TodayDog[];
  readonly zone: string;
  readonly now: number;
}) {
  const { from, to } = ribbonSpan(dogs, now);
  const [ref, width] = useWidth<HTMLDivElement>(760);
  // Hours are all of one length here: the first screen of the day waits for no library of scales.
  const x = (instant: number) => ((instant - from) / (to - from)) * width;
  const height = dogs.length * ROW;
  return (
    <div className="grid grid-cols-[150px_minmax(560px,1fr)_120px] gap-x-3 min-w-[840px] max-lg:min-w-0 max-lg:grid-cols-[112px_minmax(0,1fr)_118px] max-md:grid-cols-[1fr_130px]">
      <div className="md:pt-7">
        {dogs.map(({ appointment, words }) => (
          <div key={appointment.id} className="h-[46px] overflow-hidden">
            <Link to={`/dogs/${appointment.dogId}`} className="font-bold hover:text-pond hover:underline">
              {appointment.dogName}
            </Link>
            <p className="text-[13px] text-soft truncate leading-tight" title={words}>
              {clock(appointment.startsAt, zone)} {visitName(appointment)}
            </p>
          </div>
        ))}
      </div>
      <div ref={ref} className="min-w-0 overflow-hidden max-md:hidden">
        <svg width={width} height={height + 46} role="img" aria-label={`Ribbon of the day, ${dogs.length} dogs`}>
          <defs>
            <pattern id="dwell" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1={0} y1={0} x2={0} y2={6} stroke="var(--pond)" strokeWidth={1.6} />
            </pattern>
          </defs>
          <Hours from={from} to={to} width={width} height={height} x={x} zone={zone} />
          {dogs.map((dog, row) => (
            <Strip key={dog.appointment.id} dog={dog} y={28 + row * ROW} x={x} />
          ))}
          {now >= from && now <= to && (
            <Now at={now} words={`now ${clock(now, zone)}`} width={width} height={height} x={x} />
          )}
        </svg>
      </div>
      <div className="md:pt-7">
        {dogs.map(({ appointment }) => (
          <div key={appointment.id} className="h-[46px]">
            <BeginVisit
              dogId={appointment.dogId}
              appointmentId={appointment.id}
              visitId={appointment.visitId}
              done={appointment.state === 'done'}
              dog={appointment.dogName}
              small
            />
          </div>
        ))}
      </div>
    </div>
  );
}

interface ScaleProps {
  readonly width: number;
  /** Of all strips, px. */
  readonly height: number;
  readonly x: (instant: number) => number;
}

/** A line each hour. An hour needs room for its words; where it is narrow every second one has them. */
function Hours({ from, to, zone, width, height, x }: ScaleProps & { from: number; to: number; zone: string }) {
  const hours = Array.from({ length: Math.round((to - from) / HOUR) + 1 }, (_, i) => from + i * HOUR);
  const told = width / hours.length < 46 ? 2 : 1;
  return (
    <>
      {hours.map((hour, i) => (
        <g key={hour}>
          <line x1={x(hour)} x2={x(hour)} y1={20} y2={height + 22} stroke="var(--line)" strokeDasharray="1 5" />
          {i % told === 0 && (
            <text
              x={x(hour)}
              y={13}
              textAnchor={hour === from ? 'start' : hour === to ? 'end' : 'middle'}
              fontSize={12.5}
              fill="var(--soft)"
            >
              {clock(hour, zone)}
            </text>
          )}
        </g>
      ))}
    </>
  );
}

function Now({ at, words, width, height, x }: ScaleProps & { at: number; words: string }) {
  return (
    <g>
      <line x1={x(at)} x2={x(at)} y1={18} y2={height + 26} stroke="var(--stop)" strokeWidth={1.6} />
      <text
        x={x(at) + (x(at) > width - 80 ? -5 : 5)}
        y={height + 40}
        textAnchor={x(at) > width - 80 ? 'end' : 'start'}
        fontSize={12.5}
        fill="var(--stop)"
      >
        {words}
      </text>
    </g>
  );
}

function Strip({ dog, y, x }: { readonly dog: TodayDog; readonly y: number; readonly x: (instant: number) => number }) {
  const done = dog.appointment.state === 'done';
  return (
    <g opacity={done ? 0.45 : 1}>
      {placeBlocks(dog).map(({ name, dwell, start, end }, i) => {
        const left = x(start);
        const width = Math.max(2, x(end) - left - 1.5);
        const fits = width > name.length * 6.4 + 8;
        return (
          <g key={start}>
            <title>{`${name}, ${Math.round((end - start) / 60_000)} min${dwell ? ', hands free' : ''}`}</title>
            <rect
              x={left}
              y={y}
              width={width}
              height={34}
              rx={6}
              fill={dwell ? 'url(#dwell)' : 'var(--pond)'}
              stroke={dwell ? 'var(--pond)' : 'none'}
              opacity={dwell ? 0.75 : 1 - 0.13 * (i % 2)}
            />
            {fits && dwell && (
              <rect
                x={left + width / 2 - name.length * 3.3 - 3}
                y={y + 9}
                width={name.length * 6.6 + 6}
                height={16}
                rx={4}
                fill="var(--surface)"
              />
            )}
            {fits && (
              <text
                x={left + width / 2}
                y={y + 21.5}
                textAnchor="middle"
                fontSize={12}
                fill={dwell ? 'var(--ink)' : 'var(--on-pond)'}
              >
                {name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

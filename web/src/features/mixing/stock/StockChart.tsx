import type { StockLine } from '@dewpond/contract';
import { addDays, type Day } from '@dewpond/core/units';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, line as curve } from 'd3-shape';
import { useUnits } from '../../../data/useUnits';
import { showStock } from './stockWords';
import { showDay } from '../../../browser/times';

const WIDE = 640;
const HIGH = 220;
const LEFT = 62;
const BOTTOM = 26;
const TOP = 20;

/** Twelve weeks ahead: what is expected to be left, where four outcomes in five lie, safety stock, last day to order. */
export function StockChart({ line, today }: { readonly line: StockLine; readonly today: Day }) {
  const units = useUnits();
  const at = (day: string) => new Date(`${day}T00:00:00Z`);
  const there = Math.max(0, (line.stock ?? 0) + line.inOpenMixes);
  // A point is the end of its day; what is there now stands before the first.
  const points = [
    { time: at(today), left: there, low: there, high: there },
    ...line.points.map((point) => ({ ...point, time: at(addDays(point.day, 1)) })),
  ];
  const last = points.at(-1)?.time ?? at(addDays(today, 1));
  const most = Math.max(line.safetyMl, ...points.map(({ high }) => high), 1);
  const x = scaleUtc([at(today), last], [LEFT, WIDE - 12]);
  const y = scaleLinear([0, most], [HIGH - BOTTOM, TOP]).nice(4);
  const shown = (ml: number) => y(Math.max(0, ml));
  const band = area<(typeof points)[number]>(
    ({ time }) => x(time),
    ({ low }) => shown(low),
    ({ high }) => shown(high),
  )(points);
  const middle = curve<(typeof points)[number]>(
    ({ time }) => x(time),
    ({ left }) => shown(left),
  )(points);
  const weeks = [0, 2, 4, 6, 8, 10, 12].map((week) => addDays(today, week * 7));
  const order = line.orderBy !== null && line.orderBy >= today ? line.orderBy : null;
  const label = `${line.name}: ${line.runsOut ? `runs out on ${showDay(line.runsOut as Day)}` : 'lasts the twelve weeks'}`;
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label} className="w-full h-auto">
      {y.ticks(4).map((ml) => (
        <g key={ml}>
          <line x1={LEFT} x2={WIDE - 12} y1={y(ml)} y2={y(ml)} stroke="var(--line)" />
          <text x={LEFT - 8} y={y(ml) + 4} textAnchor="end" fontSize={12} fill="var(--soft)">
            {showStock(ml, units)}
          </text>
        </g>
      ))}
      {weeks.map((day, i) => (
        <text
          key={day}
          x={x(at(day))}
          y={HIGH - 8}
          textAnchor={i === 0 ? 'start' : i === weeks.length - 1 ? 'end' : 'middle'}
          fontSize={12}
          fill="var(--soft)"
        >
          {showDay(day).slice(4)}
        </text>
      ))}
      {band && <path d={band} fill="var(--pond-pale)" />}
      {middle && <path d={middle} fill="none" stroke="var(--pond)" strokeWidth={2.5} />}
      {line.safetyMl > 0 && (
        <>
          <line
            x1={LEFT}
            x2={WIDE - 12}
            y1={y(line.safetyMl)}
            y2={y(line.safetyMl)}
            stroke="var(--watch)"
            strokeWidth={1.5}
            strokeDasharray="6 4"
          />
          <text x={WIDE - 14} y={y(line.safetyMl) - 5} textAnchor="end" fontSize={12} fill="var(--watch)">
            safety stock
          </text>
        </>
      )}
      {order && <Mark x={x(at(order))} words={`order by ${showDay(order as Day).slice(4)}`} colour="var(--watch)" />}
      {line.runsOut && line.runsOut > today && (
        <Mark x={x(at(line.runsOut))} words={`out ${showDay(line.runsOut as Day).slice(4)}`} colour="var(--stop)" low />
      )}
    </svg>
  );
}

interface ChartMarkProps {
  readonly x: number;
  readonly words: string;
  readonly colour: string;
  /** A second mark stands lower, so that their words do not meet. */
  readonly low?: boolean;
}

function Mark({ x, words, colour, low = false }: ChartMarkProps) {
  const nearEdge = x > WIDE - 110;
  const top = low ? TOP + 18 : TOP;
  return (
    <>
      <line x1={x} x2={x} y1={top - 6} y2={HIGH - BOTTOM} stroke={colour} strokeWidth={1.8} />
      <text
        x={nearEdge ? x - 5 : x + 5}
        y={top + 4}
        textAnchor={nearEdge ? 'end' : 'start'}
        fontSize={12.5}
        fontWeight={700}
        fill={colour}
      >
        {words}
      </text>
    </>
  );
}

import type { DogView } from '@dewpond/contract';
import { TASKS } from '@dewpond/core/careplan';
import { namePlace } from '@dewpond/core/places';
import { addDays, daysBetween, showDay, type Day } from '@dewpond/core/units';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { useNavigate } from 'react-router';
import { PairedMark } from '../../ui/Ripple';
import { lensPath } from './lens';
import { rhythmRows, type RhythmRow } from './rhythmRows';

const WIDTH = 1090;
const LEFT = 156;
const TOP = 24;
const ROW = 50;
const BACK_DAYS = 150;
const AHEAD_DAYS = 84;

interface ChartProps {
  readonly dog: DogView;
  /** The plan line a tap on a lens shows. */
  readonly onLens: (key: string) => void;
}

/** Time across, sites down: past findings as paired ripples, what is coming as lenses, home-care days as small reeds. */
export function RhythmChart({ dog, onLens }: ChartProps) {
  const rows = rhythmRows(dog);
  const x = scaleLinear([-BACK_DAYS, AHEAD_DAYS], [LEFT, WIDTH - 8]);
  const height = TOP + rows.length * ROW + 8;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full min-w-[760px]"
      role="group"
      aria-label="Rhythm: past findings and due windows"
    >
      <rect
        x={x(0)}
        y={TOP - 6}
        width={WIDTH - 8 - x(0)}
        height={height - TOP}
        fill="var(--pond-pale)"
        opacity={0.35}
      />
      {monthStarts(dog.today).map(({ offset, name }) => (
        <g key={offset}>
          <line x1={x(offset)} x2={x(offset)} y1={TOP - 6} y2={height - 4} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={x(offset) + 4} y={12} fontSize={12.5} fill="var(--soft)">
            {name}
          </text>
        </g>
      ))}
      {rows.map((row, i) => (
        <Row key={row.name} row={row} y={TOP + i * ROW + ROW / 2 - 4} x={x} dog={dog} onLens={onLens} />
      ))}
      <line x1={x(0)} x2={x(0)} y1={TOP - 8} y2={height - 2} stroke="var(--ink)" strokeWidth={1.5} />
    </svg>
  );
}

interface RowProps extends ChartProps {
  readonly row: RhythmRow;
  readonly y: number;
  readonly x: ScaleLinear<number, number>;
}

function Row({ row, y, x, dog, onLens }: RowProps) {
  const navigate = useNavigate();
  const at = (day: Day) => x(daysBetween(dog.today, day));
  const within = (day: Day) => daysBetween(dog.today, day) >= -BACK_DAYS + 3;
  const open = (visitId: string) => void navigate(`/visits/${visitId}/sheet`);
  const reeds = row.homeEvery === null ? [] : homeDays(row.homeEvery);
  return (
    <g>
      <text x={2} y={y + 5} fontSize={15} fontWeight={600} fill="var(--ink)">
        {row.name}
      </text>
      <line x1={LEFT - 4} x2={WIDTH - 8} y1={y} y2={y} stroke="var(--line)" />
      {reeds.map((offset) => (
        <rect key={offset} x={x(offset) - 1.2} y={y + 17} width={2.4} height={6} rx={1} fill="var(--reed)" />
      ))}
      {row.lenses.map((lens) => (
        <Lens key={lens.key} lens={lens} y={y} x={x} today={dog.today} onLens={onLens} />
      ))}
      {row.done
        .filter(({ day }) => within(day))
        .map(({ day, visitId }) => (
          <rect
            key={visitId}
            x={at(day) - 4}
            y={y - 9}
            width={8}
            height={18}
            rx={4}
            fill="var(--pond)"
            className="cursor-pointer"
            onClick={() => open(visitId)}
          >
            <title>{`${row.name}, ${showDay(day)}`}</title>
          </rect>
        ))}
      {row.marks
        .filter(({ day }) => within(day))
        .map(({ day, visitId, left, right, barred }) => (
          <g
            key={visitId}
            transform={`translate(${at(day)},${y})`}
            className="cursor-pointer"
            onClick={() => open(visitId)}
          >
            <title>{`${row.name}, ${showDay(day)}${barred ? ', left alone' : ''}`}</title>
            <circle r={20} fill="transparent" />
            <PairedMark left={left} right={right} dot={3.8} step={4.6} />
            {barred && <line x1={-9} x2={9} y1={21} y2={21} stroke="var(--stop)" strokeWidth={2.4} />}
          </g>
        ))}
    </g>
  );
}

interface LensProps {
  readonly lens: RhythmRow['lenses'][number];
  readonly y: number;
  readonly x: ScaleLinear<number, number>;
  readonly today: Day;
  readonly onLens: (key: string) => void;
}

/** Where a lens sits in its row, and how thick it is: the dog's left above, its right below, both across. */
const SEAT = { both: { dy: 0, h: 15 }, left: { dy: -9, h: 8 }, right: { dy: 9, h: 8 } } as const;

/** Thin where it may be done, thick where it is best, cut where it is late. */
function Lens({ lens, y, x, today, onLens }: LensProps) {
  const { window } = lens.line;
  const { task, place } = lens.line.line;
  const { dy, h } = SEAT[lens.half];
  const site = place && namePlace(lens.half === 'both' ? { ...place, side: 'none' } : place);
  const name = site ? `${TASKS[task].name}, ${site}` : TASKS[task].name;
  const side = lens.half === 'both' ? '' : `${lens.half}: `;
  const mid = y + dy;
  const tap = { onClick: () => onLens(lens.key), className: 'cursor-pointer' };
  if (!window)
    return <Tag {...tap} title={`${name}: barred`} words={`${side}vet first`} tone="stop" x={x(1)} y={mid} />;
  const clamp = (day: Day) => x(Math.max(-2, Math.min(AHEAD_DAYS, daysBetween(today, day))));
  const [a, b, c] = [clamp(window.earliest), clamp(window.ideal), clamp(window.latest)];
  const title = `${name}: from ${showDay(window.earliest)}, best ${showDay(window.ideal)}, until ${showDay(window.latest)}`;
  if (lens.state === 'late') return <Tag {...tap} title={title} words={`${side}late`} tone="watch" x={x(1)} y={mid} />;
  if (c - a < 8) return <Tag {...tap} title={title} words={`${side}due now`} tone="pond" x={x(1)} y={mid} />;
  return (
    <g {...tap}>
      <title>{title}</title>
      <path
        d={lensPath(a, b, c, mid, h)}
        fill="var(--pond)"
        fillOpacity={0.25}
        stroke="var(--pond)"
        strokeWidth={1.6}
      />
      <circle cx={b} cy={mid} r={2.8} fill="var(--pond)" />
      {lens.half !== 'both' && (
        <text x={c + 5} y={mid + 4} fontSize={11.5} fill="var(--soft)">
          {lens.half}
        </text>
      )}
    </g>
  );
}

interface TagProps {
  readonly title: string;
  readonly words: string;
  readonly tone: 'stop' | 'watch' | 'pond';
  readonly x: number;
  readonly y: number;
  readonly onClick: () => void;
  readonly className: string;
}

/** Where a lens cannot be drawn: late, due now, or a vet first. */
function Tag({ title, words, tone, x, y, ...tap }: TagProps) {
  const width = words.length * 6.6 + 16;
  return (
    <g {...tap}>
      <title>{title}</title>
      <rect x={x} y={y - 9} width={width} height={18} rx={9} fill={`var(--${tone}-pale)`} />
      <text x={x + width / 2} y={y + 4.2} fontSize={12} fontWeight={600} textAnchor="middle" fill={`var(--${tone})`}>
        {words}
      </text>
    </g>
  );
}

/** Home-care days in the coming weeks; daily care is drawn as every day. */
const homeDays = (every: number): number[] =>
  Array.from({ length: Math.floor((AHEAD_DAYS - 2) / every) }, (_, i) => (i + 1) * every);

function monthStarts(today: Day): { offset: number; name: string }[] {
  const months = new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' });
  return Array.from({ length: BACK_DAYS + AHEAD_DAYS }, (_, i) => i - BACK_DAYS)
    .map((offset) => ({ offset, day: addDays(today, offset) }))
    .filter(({ day, offset }) => day.endsWith('-01') && offset > -BACK_DAYS + 4 && offset < AHEAD_DAYS - 8)
    .map(({ offset, day }) => ({ offset, name: months.format(new Date(`${day}T00:00:00Z`)) }));
}

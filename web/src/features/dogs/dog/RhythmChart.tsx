import type { DogView } from '@dewpond/contract';
import { TASKS } from '@dewpond/core/tasks';
import { namePlace } from '@dewpond/core/places';
import { addDays, daysBetween, type Day } from '@dewpond/core/units';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { useNavigate } from 'react-router';
import { useWidth } from '../../../browser/useWidth';
import { PairedMark } from '../../../ui/Ripple';
import { lensPath } from './lens';
import { rhythmRows, type RhythmRow } from './rhythmRows';
import { showDay } from '../../../browser/times';
import { locale } from '../../../browser/locale';

const LEFT = 156;
const TOP = 24;
const ROW = 50;
/** Days shown behind and ahead; a narrow screen shows fewer, never smaller. */
const WIDE = { back: 150, ahead: 84 };
const NARROW = { back: 75, ahead: 49 };
const NARROW_BELOW = 800;

interface RhythmChartProps {
  readonly dog: DogView;
  /** The plan line a tap on a lens shows. */
  readonly onLens: (key: string) => void;
}

/** Time across, sites down: past findings as paired ripples, what is coming as lenses, home-care days as small reeds. */
export function RhythmChart({ dog, onLens }: RhythmChartProps) {
  const rows = rhythmRows(dog);
  const [ref, width] = useWidth<HTMLDivElement>(1080);
  const span = width < NARROW_BELOW ? NARROW : WIDE;
  const right = width - 8;
  const x = scaleLinear([-span.back, span.ahead], [LEFT, right]);
  const height = TOP + rows.length * ROW + 8;
  return (
    <div ref={ref} className="overflow-hidden">
      <svg width={width} height={height} role="group" aria-label="Rhythm: past findings and due windows">
        <rect x={x(0)} y={TOP - 6} width={right - x(0)} height={height - TOP} fill="var(--pond-pale)" opacity={0.35} />
        {monthStarts(dog.today, span).map(({ offset, name }) => (
          <g key={offset}>
            <line
              x1={x(offset)}
              x2={x(offset)}
              y1={TOP - 6}
              y2={height - 4}
              stroke="var(--line)"
              strokeDasharray="1 5"
            />
            <text x={x(offset) + 4} y={12} fontSize={12.5} fill="var(--soft)">
              {name}
            </text>
          </g>
        ))}
        {rows.map((row, i) => (
          <Row key={row.name} row={row} y={TOP + i * ROW + ROW / 2 - 4} x={x} span={span} dog={dog} onLens={onLens} />
        ))}
        <line x1={x(0)} x2={x(0)} y1={TOP - 8} y2={height - 2} stroke="var(--ink)" strokeWidth={1.5} />
      </svg>
    </div>
  );
}

type ChartWidths = typeof WIDE;

interface RhythmRowProps extends RhythmChartProps {
  readonly row: RhythmRow;
  readonly y: number;
  readonly x: ScaleLinear<number, number>;
  readonly span: ChartWidths;
}

function Row({ row, y, x, span, dog, onLens }: RhythmRowProps) {
  const navigate = useNavigate();
  const at = (day: Day) => x(daysBetween(dog.today, day));
  const within = (day: Day) => daysBetween(dog.today, day) >= -span.back + 3;
  const open = (visitId: string) => void navigate(`/visits/${visitId}/sheet`);
  const reeds = row.homeEvery === null ? [] : homeDays(row.homeEvery, span);
  return (
    <g>
      <text x={2} y={y + 5} fontSize={15} fontWeight={600} fill="var(--ink)">
        {row.name}
      </text>
      <line x1={LEFT - 4} x2={x(span.ahead)} y1={y} y2={y} stroke="var(--line)" />
      {reeds.map((offset) => (
        <rect key={offset} x={x(offset) - 1.2} y={y + 17} width={2.4} height={6} rx={1} fill="var(--reed)" />
      ))}
      {row.lenses.map((lens) => (
        <Lens key={lens.key} lens={lens} y={y} x={x} span={span} today={dog.today} onLens={onLens} />
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
  readonly span: ChartWidths;
  readonly today: Day;
  readonly onLens: (key: string) => void;
}

/** Where a lens sits in its row, and how thick it is: the dog's left above, its right below, both across. */
const SEAT = { both: { dy: 0, h: 15 }, left: { dy: -9, h: 8 }, right: { dy: 9, h: 8 } } as const;

/** Thin where it may be done, thick where it is best, cut where it is late. */
function Lens({ lens, y, x, span, today, onLens }: LensProps) {
  const { window } = lens.line;
  const { task, place } = lens.line.line;
  const { dy, h } = SEAT[lens.half];
  const site = place && namePlace(lens.half === 'both' ? { ...place, side: 'none' } : place);
  const name = site ? `${TASKS[task].name}, ${site}` : TASKS[task].name;
  const side = lens.half === 'both' ? '' : `${lens.half}: `;
  const mid = y + dy;
  const tap = { onClick: () => onLens(lens.key), className: 'cursor-pointer' };
  if (!window) {
    const words = lens.line.line.bars.some(({ rank }) => rank === 'safety' || rank === 'vet') ? 'for a vet' : 'barred';
    return <Tag {...tap} title={`${name}: ${words}`} words={side + words} tone="stop" x={x(1)} y={mid} />;
  }
  const clamp = (day: Day) => x(Math.max(-2, Math.min(span.ahead, daysBetween(today, day))));
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
      {lens.half !== 'both' && c + 34 < x(span.ahead) && (
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

/** Where a lens cannot be drawn: late, due now, or barred. */
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
const homeDays = (every: number, { ahead }: ChartWidths): number[] =>
  Array.from({ length: Math.floor((ahead - 2) / every) }, (_, i) => (i + 1) * every);

function monthStarts(today: Day, { back, ahead }: ChartWidths): { offset: number; name: string }[] {
  const months = new Intl.DateTimeFormat(locale(), { month: 'short', timeZone: 'UTC' });
  return Array.from({ length: back + ahead }, (_, i) => i - back)
    .map((offset) => ({ offset, day: addDays(today, offset) }))
    .filter(({ day, offset }) => day.endsWith('-01') && offset > -back + 4 && offset < ahead - 8)
    .map(({ offset, day }) => ({ offset, name: months.format(new Date(`${day}T00:00:00Z`)) }));
}

import type { Traits } from '@dewpond/core/catalogue';
import {
  TOES,
  placeKey,
  type Foot,
  type Grade,
  type Place,
  type PlaceKey,
  type Side,
  type Site,
} from '@dewpond/core/places';
import { Mark } from './Mark';
import {
  ABOVE_SPOTS,
  BELOW_SPOTS,
  PAW,
  PLAN_HALF,
  SIDE_NAMES,
  profile,
  type BodyView,
  type Point,
} from '@dewpond/core/drawing';
import { LINE, SHAPE } from './line';

interface BodyProps {
  readonly traits: Traits;
  readonly view: BodyView;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade | null>>>;
  readonly onPlace?: ((place: PlaceKey) => void) | undefined;
  readonly className?: string;
  /** What it says of its side. */
  readonly says?: string;
}

const SIDES_OF_DRAWING = [1, -1] as const;

/** The body from one of four sides, with the places that are seen there. */
export function DogBody({ view, ...props }: BodyProps) {
  if (view === 'above' || view === 'below') return <Plan view={view} {...props} />;
  return <Profile side={view === 'left side' ? 'left' : 'right'} {...props} />;
}

type Marked = Omit<BodyProps, 'view' | 'className'>;

function Marks({ spots, side, grades, onPlace }: Marked & { readonly spots: [Site, Point][]; readonly side: Side }) {
  return spots.map(([site, point]) => {
    const place: Place = { site, side: site === 'side' || site.startsWith('leg') ? side : 'none' };
    const key = placeKey(place);
    return <Mark key={key} place={key} point={point} grade={grades[key] ?? null} onPlace={onPlace} />;
  });
}

function Profile({
  side,
  className,
  says = `${SIDE_NAMES[side]} side`,
  ...marked
}: Omit<BodyProps, 'view'> & { readonly side: Side }) {
  const shape = profile(marked.traits);
  const mirrored = side === 'left';
  const at = ({ x, y }: Point): Point => ({ x: mirrored ? 320 - x : x, y });
  const spots = Object.entries(shape.spots).filter(([site]) => side === 'right' || site !== 'head') as [Site, Point][];
  return (
    <svg viewBox="0 -10 320 232" className={className} role="group" aria-label={`The dog’s ${side} side`}>
      <g transform={mirrored ? 'translate(320,0) scale(-1,1)' : undefined}>
        <path {...LINE} d={shape.farLegs} opacity={0.6} />
        <path {...SHAPE} d={shape.tail} />
        <path {...SHAPE} d={shape.outline} />
        <path {...LINE} d={shape.coat} strokeWidth={1.6} opacity={0.7} />
        <path {...SHAPE} d={shape.ear} />
        <circle cx={shape.eye.x} cy={shape.eye.y} r={3.4} fill="var(--ink)" />
        <ellipse cx={shape.nose.x} cy={shape.nose.y} rx={5} ry={4.4} fill="var(--ink)" />
      </g>
      <SideName x={mirrored ? 314 : 6} y={217} end={mirrored}>
        {says}
      </SideName>
      <Marks {...marked} side={side} spots={spots.map(([site, point]) => [site, at(point)])} />
    </svg>
  );
}

/** From above with the head towards the reader, or from below: either way the dog's left is on the reader's right. */
function Plan({ view, className, ...marked }: BodyProps) {
  const above = view === 'above';
  const spots = Object.entries(above ? ABOVE_SPOTS : BELOW_SPOTS) as [Site, Point][];
  const turn = above ? 1 : -1;
  return (
    <svg viewBox="-160 -134 320 278" className={className} role="group" aria-label={`The dog from ${view}`}>
      <g transform={`scale(1,${turn})`}>
        {SIDES_OF_DRAWING.map((s) => (
          <g key={s} transform={`scale(${s},1)`}>
            {PLAN_HALF.legs.map((d) => (
              <path key={d} {...SHAPE} d={d} />
            ))}
          </g>
        ))}
        {above && <path {...SHAPE} d="M-6,-94 C-10,-108 -2,-116 4,-112 C8,-106 6,-98 6,-94" />}
        <path {...SHAPE} d={bothHalves(PLAN_HALF.body, PLAN_HALF.head)} />
        {SIDES_OF_DRAWING.map((s) => (
          <path key={s} {...SHAPE} transform={`scale(${s},1)`} d={PLAN_HALF.ear} />
        ))}
        {above && <ellipse cx={0} cy={126} rx={6} ry={4.5} fill="var(--ink)" />}
      </g>
      <SideName x={-156}>{SIDE_NAMES.right}</SideName>
      <SideName x={156} end>
        {SIDE_NAMES.left}
      </SideName>
      <Marks {...marked} side="left" spots={spots.map(([site, { x, y }]) => [site, { x, y: y * turn }])} />
    </svg>
  );
}

/** The right half and its mirror image as one outline, closed at the middle. */
function bothHalves(...halves: readonly string[]): string {
  const right = halves.map((d, i) => (i === 0 ? d : d.replace(/^M[^C]*/, ''))).join(' ');
  const numbers = right.match(/-?\d+(\.\d+)?,-?\d+(\.\d+)?/g) ?? [];
  const mirrored = numbers
    .toReversed()
    .map((pair) => pair.split(',').map(Number))
    .map(([x = 0, y = 0]) => `${-x},${y}`);
  const left = mirrored.slice(1);
  const curves = Array.from({ length: left.length / 3 }, (_, i) => `C${left.slice(i * 3, i * 3 + 3).join(' ')}`);
  return `${right} ${curves.join(' ')} Z`;
}

function SideName({
  x,
  y = 140,
  end,
  children,
}: {
  readonly x: number;
  readonly y?: number;
  readonly end?: boolean;
  readonly children: string;
}) {
  return (
    <text x={x} y={y} fontSize={19} fill="var(--soft)" textAnchor={end ? 'end' : 'start'}>
      {children}
    </text>
  );
}

interface PawProps {
  readonly foot: Foot;
  readonly side: Side;
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade | null>>>;
  readonly onPlace?: ((place: PlaceKey) => void) | undefined;
  readonly className?: string;
}

/** One paw from the front with every nail; the dewclaw is on the inside, which for the dog's left paw is the reader's left. */
export function DogPaw({ foot, side, grades, onPlace, className }: PawProps) {
  const at = (x: number) => (side === 'left' ? x : 200 - x);
  const paw = placeKey({ site: `paw ${foot}`, side });
  return (
    <svg viewBox="-14 -6 228 164" className={className} role="group" aria-label={`The ${side} ${foot} paw`}>
      <g transform={side === 'left' ? undefined : 'translate(200,0) scale(-1,1)'}>
        <path {...SHAPE} d={PAW.outline} />
        {PAW.toes.map((d) => (
          <path key={d} {...LINE} strokeWidth={1.6} d={d} />
        ))}
        {PAW.nails.map(({ x, y, turn }) => (
          <path
            key={x}
            transform={`translate(${x},${y}) rotate(${turn})`}
            d="M-6,8 C-6,-4 -3,-12 1,-15 C5,-10 7,-2 6,8 Z"
            fill="var(--line)"
            stroke="var(--soft)"
            strokeWidth={1.6}
          />
        ))}
      </g>
      <Mark
        place={paw}
        point={{ x: at(PAW.middle.x), y: PAW.middle.y }}
        grade={grades[paw] ?? null}
        onPlace={onPlace}
      />
      {TOES.map((toe) => {
        const nail = PAW.nails[toe - 1] ?? PAW.nails[0];
        const key = placeKey({ site: `nail ${foot} ${toe}`, side });
        const grade = grades[key];
        return (
          <g
            key={key}
            transform={`translate(${at(nail.x)},${nail.y})`}
            {...(onPlace ? { onClick: () => onPlace(key), className: 'cursor-pointer' } : {})}
          >
            <rect x={-18} y={-24} width={36} height={48} fill="transparent" />
            {grade ? <circle r={7} fill="var(--watch)" /> : null}
          </g>
        );
      })}
    </svg>
  );
}

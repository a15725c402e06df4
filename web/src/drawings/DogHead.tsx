import type { Traits } from '@dewpond/core/catalogue';
import { GRADE_WORDS, namePlace, placeOf, type Grade, type PlaceKey, type Side } from '@dewpond/core/places';
import type { ReactNode } from 'react';
import { Mark } from './Mark';
import { SIDE_NAMES, headShape } from '@dewpond/core/drawing';
import { LINE, SHAPE } from './line';

interface DogHeadProps {
  readonly traits: Traits;
  /** Null: not looked at. Places left out are not marked. */
  readonly grades: Readonly<Partial<Record<PlaceKey, Grade | null>>>;
  readonly onPlace?: ((place: PlaceKey) => void) | undefined;
  readonly className?: string;
  /** Hanging flaps lifted, so that one sees inside. */
  readonly lifted?: boolean;
  /** What the drawing says instead of its marks. */
  readonly says?: string;
  /** What it says of its sides. */
  readonly sides?: Readonly<Record<Side, string>>;
  /** Drawn at half its size: its sides are named in letters twice as large. */
  readonly small?: boolean;
  /** Drawn over the head, in its own frame: around the bridge of the nose. */
  readonly children?: ReactNode;
}

const SIDES_OF_DRAWING = [1, -1] as const;

/** The head from the front; the dog's left is on the reader's right, and the drawing says so. */
export function DogHead({
  traits,
  grades,
  onPlace,
  className,
  lifted = false,
  says,
  sides = SIDE_NAMES,
  small = false,
  children,
}: DogHeadProps) {
  const head = headShape(traits, lifted);
  const marks = Object.entries(head.spots).filter(([key]) => key in grades);
  const words = marks.map(([key]) => `${namePlace(placeOf(key))}: ${gradeWords(grades[key as PlaceKey])}`).join('; ');
  return (
    <svg
      viewBox={`-160 ${head.top} 320 ${150 - head.top}`}
      className={className}
      role={onPlace ? 'group' : 'img'}
      aria-label={says ?? `Head from the front. ${words}`}
    >
      {!head.ear.front && <Ears head={head} />}
      <path {...SHAPE} d={head.skull} />
      {head.ear.front && <Ears head={head} />}
      {SIDES_OF_DRAWING.map((s) => (
        <g key={s} transform={`scale(${s},1)`}>
          <ellipse cx={head.eye.x} cy={head.eye.y} rx={head.eye.rx} ry={head.eye.ry} fill="var(--ink)" />
          <circle cx={head.eye.x + 3 * s} cy={head.eye.y - 3} r={2.6} fill="var(--surface)" />
          <path {...LINE} d={head.mouth} />
          {head.folds
            .filter((fold) => fold.mirrored || s === 1)
            .map((fold) => (
              <path key={fold.d} {...LINE} strokeWidth={1.8} d={fold.d} />
            ))}
        </g>
      ))}
      <path
        fill="var(--ink)"
        transform={`translate(0,${head.nose.y})`}
        d="M-17,0 C-11,-9 11,-9 17,0 C17,12 7,20 0,20 C-7,20 -17,12 -17,0 Z"
      />
      {marks.length > 0 && <SideNames names={sides} size={small ? 26 : 16} />}
      {marks.map(([key, point]) => (
        <Mark
          key={key}
          place={key as PlaceKey}
          point={point}
          grade={grades[key as PlaceKey] ?? null}
          onPlace={onPlace}
        />
      ))}
      {children}
    </svg>
  );
}

function SideNames({ names, size }: { readonly names: Readonly<Record<Side, string>>; readonly size: number }) {
  return (
    <g fontSize={size} fill="var(--soft)">
      <text x={-156} y={146}>
        {names.right}
      </text>
      <text x={156} y={146} textAnchor="end">
        {names.left}
      </text>
    </g>
  );
}

function Ears({ head }: { readonly head: ReturnType<typeof headShape> }) {
  return SIDES_OF_DRAWING.map((s) => (
    <g key={s} transform={`scale(${s},1)`}>
      <path {...SHAPE} d={head.ear.path} />
      {head.ear.crease && <path {...LINE} strokeWidth={1.6} d={head.ear.crease} />}
    </g>
  ));
}

const gradeWords = (grade: Grade | null | undefined) =>
  grade === null || grade === undefined ? 'not looked at' : GRADE_WORDS[grade];

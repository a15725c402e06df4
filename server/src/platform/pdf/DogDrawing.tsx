import type { Traits } from '@dewpond/core/catalogue';
import { SIDE_NAMES, headShape, profile, type Point } from '@dewpond/core/drawing';
import { placeKey, type Grade, type PlaceKey, type Side, type Site } from '@dewpond/core/places';
import { Circle, Ellipse, G, Path, Svg, Text } from '@react-pdf/renderer';
import { INK, SOFT } from './look';
import { Rings } from './look';

type Grades = Readonly<Partial<Record<PlaceKey, Grade>>>;

const LINE = { fill: 'none', stroke: SOFT, strokeWidth: 2 } as const;
const SHAPE = { ...LINE, fill: '#ffffff' } as const;
const BOTH = [1, -1] as const;

function Mark({ point, grade }: { point: Point; grade: Grade }) {
  return (
    <G transform={`translate(${point.x}, ${point.y})`}>
      <Circle cx={0} cy={0} r={6 + grade * 4.4} fill="#ffffff" />
      <Rings grade={grade} step={4.2} />
    </G>
  );
}

function Side({ x, y, end, children }: { x: number; y: number; end: boolean; children: string }) {
  return (
    <Text x={x} y={y} textAnchor={end ? 'end' : 'start'} style={{ fontSize: 15, fill: SOFT }}>
      {children}
    </Text>
  );
}

interface HeadInPdfProps {
  readonly traits: Traits;
  readonly grades: Grades;
  readonly width: number;
  readonly says?: Readonly<Record<Side, string>>;
}

/** The head from the front on paper; the dog's left is on the reader's right, and the drawing says so. */
export function HeadInPdf({ traits, grades, width, says = SIDE_NAMES }: HeadInPdfProps) {
  const head = headShape(traits);
  const height = 150 - head.top;
  const ears = BOTH.map((s) => (
    <G key={s} transform={`scale(${s}, 1)`}>
      <Path {...SHAPE} d={head.ear.path} />
      {head.ear.crease ? <Path {...LINE} strokeWidth={1.4} d={head.ear.crease} /> : null}
    </G>
  ));
  return (
    <Svg width={width} height={(width * height) / 320} viewBox={`-160 ${head.top} 320 ${height}`}>
      {head.ear.front ? null : ears}
      <Path {...SHAPE} d={head.skull} />
      {head.ear.front ? ears : null}
      {BOTH.map((s) => (
        <G key={s} transform={`scale(${s}, 1)`}>
          <Ellipse cx={head.eye.x} cy={head.eye.y} rx={head.eye.rx} ry={head.eye.ry} fill={INK} />
          <Path {...LINE} d={head.mouth} />
          {head.folds
            .filter((fold) => fold.mirrored || s === 1)
            .map((fold) => (
              <Path key={fold.d} {...LINE} strokeWidth={1.6} d={fold.d} />
            ))}
        </G>
      ))}
      <Path
        fill={INK}
        transform={`translate(0, ${head.nose.y})`}
        d="M-17,0 C-11,-9 11,-9 17,0 C17,12 7,20 0,20 C-7,20 -17,12 -17,0 Z"
      />
      {Object.entries(head.spots).map(([key, point]) => {
        const grade = grades[key as PlaceKey];
        return grade === undefined ? null : <Mark key={key} point={point} grade={grade} />;
      })}
      <Side x={-158} y={146} end={false}>
        {says.right}
      </Side>
      <Side x={158} y={146} end>
        {says.left}
      </Side>
    </Svg>
  );
}

/** Places of the body that can be marked on its profile, with their side. */
const onSide = (site: Site, side: Side): PlaceKey =>
  placeKey({ site, side: site === 'side' || site.startsWith('leg') ? side : 'none' });

/** Sides of the body where something was found; both when it is not of one side. */
export const sidesToDraw = (traits: Traits, grades: Grades): Side[] =>
  (['right', 'left'] as const).filter((side) =>
    Object.keys(profile(traits).spots).some((site) => {
      const key = onSide(site as Site, side);
      return site !== 'head' && key.endsWith(side) && (grades[key] ?? 0) > 0;
    }),
  );

interface BodyInPdfProps {
  readonly traits: Traits;
  readonly grades: Grades;
  readonly side: Side;
  readonly width: number;
  readonly says?: string;
}

/** The body from one side on paper. */
export function BodyInPdf({ traits, grades, side, width, says = `${SIDE_NAMES[side]} side` }: BodyInPdfProps) {
  const shape = profile(traits);
  const mirrored = side === 'left';
  const at = ({ x, y }: Point): Point => ({ x: mirrored ? 320 - x : x, y });
  return (
    <Svg width={width} height={(width * 232) / 320} viewBox="0 -10 320 232">
      <G {...(mirrored ? { transform: 'translate(320, 0) scale(-1, 1)' } : {})}>
        <Path {...LINE} d={shape.farLegs} />
        <Path {...SHAPE} d={shape.tail} />
        <Path {...SHAPE} d={shape.outline} />
        {shape.coat === '' ? null : <Path {...LINE} strokeWidth={1.4} d={shape.coat} />}
        <Path {...SHAPE} d={shape.ear} />
        <Circle cx={shape.eye.x} cy={shape.eye.y} r={3.4} fill={INK} />
        <Ellipse cx={shape.nose.x} cy={shape.nose.y} rx={5} ry={4.4} fill={INK} />
      </G>
      {Object.entries(shape.spots).map(([site, point]) => {
        const grade = grades[onSide(site as Site, side)];
        return grade === undefined || site === 'head' ? null : <Mark key={site} point={at(point)} grade={grade} />;
      })}
      <Side x={mirrored ? 316 : 4} y={217} end={mirrored}>
        {says}
      </Side>
    </Svg>
  );
}

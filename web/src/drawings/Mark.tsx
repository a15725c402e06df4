import type { Grade, PlaceKey } from '@dewpond/core/places';
import { RippleMark } from '../ui/Ripple';
import type { Point } from '@dewpond/core/drawing';

interface BodyMarkProps {
  readonly place: PlaceKey;
  readonly point: Point;
  readonly grade: Grade | null;
  readonly onPlace: ((place: PlaceKey) => void) | undefined;
}

/** The mark on a drawing. Keyboard and screen readers use the named buttons beside it. */
export function Mark({ place, point, grade, onPlace }: BodyMarkProps) {
  return (
    <g
      transform={`translate(${point.x},${point.y})`}
      {...(onPlace ? { onClick: () => onPlace(place), className: 'cursor-pointer' } : {})}
    >
      {onPlace && <circle r={24} fill="transparent" />}
      <circle r={grade === null ? 7 : 6 + grade * 4.4} fill="var(--surface)" opacity={0.85} />
      <RippleMark grade={grade} dot={3.6} step={4.4} />
    </g>
  );
}

import { BOTTLE_SHAPE, levelOf } from '@dewpond/core/dilution';
import { millilitres } from '@dewpond/core/units';
import { useId } from 'react';

interface BottleProps {
  /** Millilitres. */
  readonly product: number;
  readonly water: number;
  readonly brim: number;
  /** Marks one can read, ml apart; null for none. */
  readonly graduation: number | null;
  readonly height?: number;
  /** What a mark reads, beside every other one. */
  readonly numbers?: (ml: number) => string;
  /** Struck out: past its time. */
  readonly struck?: boolean;
  readonly label: string;
}

/** A bottle to scale: heights follow volume through its straight body and its shoulder. Product below, water above. */
export function BottleDrawing({
  product,
  water,
  brim,
  graduation,
  height = 170,
  numbers,
  struck = false,
  label,
}: BottleProps) {
  const clip = useId();
  const inner = height - 16;
  const radius = inner * 0.28;
  const y = (ml: number) => 14 + inner * (1 - levelOf(millilitres(Math.max(0, ml)), millilitres(brim)));
  const shoulder = 14 + inner * (1 - BOTTLE_SHAPE.shoulder);
  const neck = radius * BOTTLE_SHAPE.neck;
  const left = (x: number) => radius + 4 - x;
  const right = (x: number) => radius + 4 + x;
  const bottom = 14 + inner;
  const outline = `M${left(neck)},14 L${left(radius)},${shoulder} V${bottom - 8} Q${left(radius)},${bottom} ${left(radius - 8)},${bottom} H${right(radius - 8)} Q${right(radius)},${bottom} ${right(radius)},${bottom - 8} V${shoulder} L${right(neck)},14 Z`;
  const everyMark = graduation === null ? [] : marks(brim, graduation);
  return (
    <svg
      width={2 * radius + 8}
      height={height}
      viewBox={`0 0 ${2 * radius + 8} ${height}`}
      role="img"
      aria-label={label}
      className="shrink-0"
    >
      <clipPath id={clip}>
        <path d={outline} />
      </clipPath>
      <path d={outline} fill="var(--surface)" />
      <g clipPath={`url(#${clip})`}>
        <rect x={0} width={2 * radius + 8} y={y(product + water)} height={height} fill="var(--pond-pale)" />
        <rect x={0} width={2 * radius + 8} y={y(product)} height={height} fill="var(--pond)" />
        {everyMark.map((ml) => (
          <line
            key={ml}
            x1={left(radius)}
            x2={left(radius) + 9}
            y1={y(ml)}
            y2={y(ml)}
            stroke="var(--soft)"
            strokeWidth={1}
          />
        ))}
        {numbers &&
          everyMark
            .filter((ml, i) => i % 2 === 1 && Math.abs(y(ml) - y(product + water)) > 8)
            .map((ml) => (
              <text
                key={ml}
                x={left(radius) + 13}
                y={y(ml) + 3.5}
                fontSize={10}
                fill={ml <= product ? 'var(--on-pond)' : 'var(--soft)'}
              >
                {numbers(ml)}
              </text>
            ))}
        <line
          x1={0}
          x2={2 * radius + 8}
          y1={y(product + water)}
          y2={y(product + water)}
          stroke="var(--pond)"
          strokeWidth={1.5}
        />
      </g>
      <path d={outline} fill="none" stroke="var(--ink)" strokeWidth={1.8} strokeLinejoin="round" />
      {struck && (
        <path
          d={`M4,${bottom - 4} L${2 * radius + 4},22 M4,22 L${2 * radius + 4},${bottom - 4}`}
          stroke="var(--stop)"
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
      <rect
        x={left(neck) - 2}
        y={3}
        width={2 * neck + 4}
        height={11}
        rx={3}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.8}
      />
    </svg>
  );
}

/** At most some twenty marks, or they run together. */
function marks(brim: number, graduation: number): number[] {
  const step = graduation * Math.max(1, Math.ceil(brim / graduation / 20));
  return Array.from({ length: Math.floor(brim / step) }, (_, i) => (i + 1) * step).filter((ml) => ml < brim);
}

import { createContext, useContext, type ReactNode } from 'react';

/** All method drawings share one frame, so that they stand beside each other. */
export const FRAME = { width: 360, height: 240 } as const;

export const LINE = {
  fill: 'none',
  stroke: 'var(--soft)',
  strokeWidth: 2.2,
  strokeLinecap: 'round',
  strokeLinejoin: 'round',
} as const;
export const SHAPE = { ...LINE, fill: 'var(--surface)' } as const;
export const GOOD = 'var(--reed)';
export const BAD = 'var(--stop)';

export const Frame = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  <svg viewBox={`0 0 ${FRAME.width} ${FRAME.height}`} role="img" aria-label={label} className="w-full">
    {children}
  </svg>
);

interface LabelProps {
  readonly x: number;
  readonly y: number;
  readonly tone?: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly bold?: boolean;
  /** Where a thin line leads from the words. */
  readonly to?: readonly [x: number, y: number];
  /** One line each. */
  readonly children: string | readonly string[];
}

const LINE_HEIGHT = 15;
/** About as wide as a letter is at this size; bold is a little wider. */
const LETTER = 6.4;
const BOLD_LETTER = 7;

const SaysNothing = createContext(false);

/** Drawings without their words, which are a groomer's and English: for owners, who read beside it what to do. */
export const Wordless = ({ children }: { readonly children: ReactNode }) => (
  <SaysNothing.Provider value={true}>{children}</SaysNothing.Provider>
);

/** Words in a drawing, with a line from their nearer edge to what they name. */
export function Label({ x, y, tone = 'var(--ink)', anchor = 'start', bold = false, to, children }: LabelProps) {
  const saysNothing = useContext(SaysNothing);
  if (saysNothing) return null;
  const lines = typeof children === 'string' ? [children] : children;
  const width = Math.max(...lines.map((line) => line.length)) * (bold ? BOLD_LETTER : LETTER);
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  const middle = y - 4 + ((lines.length - 1) * LINE_HEIGHT) / 2;
  const beside = to && (to[0] > left + width ? left + width + 3 : to[0] < left ? left - 3 : null);
  const from: readonly [number, number] =
    beside === null || beside === undefined
      ? [left + width / 2, (to?.[1] ?? y) < y ? y - 15 : y + (lines.length - 1) * LINE_HEIGHT + 5]
      : [beside, middle];
  return (
    <>
      {to && <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke="var(--soft)" strokeWidth={1} />}
      <text textAnchor={anchor} fontSize={13} fontWeight={bold ? 700 : 400} fill={tone}>
        {lines.map((line, i) => (
          <tspan key={line} x={x} y={y + i * LINE_HEIGHT}>
            {line}
          </tspan>
        ))}
      </text>
    </>
  );
}

interface ArrowProps {
  /** A path that ends where the arrow points. */
  readonly d: string;
  /** The point it ends at, and the direction it comes from, in degrees: 0 points right, 90 down. */
  readonly at: readonly [x: number, y: number];
  readonly turn: number;
  readonly tone?: string;
  readonly width?: number;
}

/** A way to go. */
export const Arrow = ({ d, at: [x, y], turn, tone = 'var(--pond)', width = 3 }: ArrowProps) => (
  <g>
    <path d={d} fill="none" stroke={tone} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round" />
    <path d="M-9,-6 L2,0 L-9,6 Z" fill={tone} stroke="none" transform={`translate(${x},${y}) rotate(${turn})`} />
  </g>
);

/** Yes, as a tick; no, as a cross: told by shape, not by colour alone. */
export function Verdict({ x, y, good }: { readonly x: number; readonly y: number; readonly good: boolean }) {
  return (
    <g
      transform={`translate(${x},${y})`}
      stroke={good ? GOOD : BAD}
      strokeWidth={3.4}
      fill="none"
      strokeLinecap="round"
    >
      <circle r={12} strokeWidth={2} fill="var(--surface)" />
      <path d={good ? 'M-5.5,0.5 L-1.5,5 L6,-5' : 'M-5,-5 L5,5 M5,-5 L-5,5'} />
    </g>
  );
}

import { GRADE_WORDS, type Grade, type Side } from '@dewpond/core/places';

export const GRADE_COLOURS: Readonly<Record<Grade, string>> = {
  0: 'var(--reed)',
  1: 'var(--pond)',
  2: 'var(--watch)',
  3: 'var(--stop)',
};

/** Half or whole of the sign: the left half is the dog's left, in rows and charts alike. */
export type Half = Side | 'both';

interface RippleProps {
  readonly grade: Grade | null;
  readonly half?: Half;
  readonly dot?: number;
  readonly step?: number;
}

const arc = (r: number, half: Side): string => `M0,${-r}A${r},${r} 0 0 ${half === 'left' ? 0 : 1} 0,${r}`;

/** The rings at the origin of an SVG: a dot is clear; one, two, three rings are slight, plain, bad; a dashed dot is not looked at. */
export function RippleMark({ grade, half = 'both', dot = 4, step = 5 }: RippleProps) {
  if (grade === null) {
    return <circle r={dot + 1} fill="none" stroke="var(--soft)" strokeDasharray="2 2.4" strokeWidth={1.4} />;
  }
  const colour = GRADE_COLOURS[grade];
  const rings = Array.from({ length: grade }, (_, i) => dot + (i + 1) * step);
  if (half === 'both') {
    return (
      <g>
        <circle r={dot} fill={colour} />
        {rings.map((r) => (
          <circle key={r} r={r} fill="none" stroke={colour} strokeWidth={2.2} />
        ))}
      </g>
    );
  }
  return (
    <g>
      <path d={`${arc(dot, half)}Z`} fill={colour} />
      {rings.map((r) => (
        <path key={r} d={arc(r, half)} fill="none" stroke={colour} strokeWidth={2.2} />
      ))}
    </g>
  );
}

/** A ripple in a row of text, with its word for those who do not see it; `silent` where the words stand beside it. */
export function Ripple({
  grade,
  size = 34,
  silent = false,
}: {
  readonly grade: Grade | null;
  readonly size?: number;
  readonly silent?: boolean;
}) {
  const label = grade === null ? 'not looked at' : GRADE_WORDS[grade];
  return (
    <svg
      width={size}
      height={size}
      viewBox="-21 -21 42 42"
      {...(silent ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      className="shrink-0 inline-block align-middle"
    >
      <RippleMark grade={grade} />
    </svg>
  );
}

/** Left and right as two half signs that meet. */
export function PairedMark({
  left,
  right,
  dot = 4,
  step = 5,
}: {
  readonly left: Grade | null;
  readonly right: Grade | null;
  readonly dot?: number;
  readonly step?: number;
}) {
  if (left === null && right === null) return <RippleMark grade={null} dot={dot} />;
  return (
    <g>
      {left !== null && <RippleMark grade={left} half="left" dot={dot} step={step} />}
      {right !== null && <RippleMark grade={right} half="right" dot={dot} step={step} />}
    </g>
  );
}

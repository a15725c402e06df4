import { FIGURES, type Lab, type MeasuredColour } from '@dewpond/core/colour';
import { scaleLinear } from 'd3-scale';
import { sayFigure } from './sayReading';

const WIDTH = 360;
const MIDDLE = 17;
const ENDS: Readonly<Record<keyof Lab, readonly [number, number]>> = { l: [0, 100], a: [-5, 60], b: [-5, 60] };

interface FigureScaleProps {
  readonly figure: keyof Lab;
  readonly now: MeasuredColour;
  readonly before: MeasuredColour | null;
}

/** One figure of a colour on its scale: a dot with how far it may be off, the earlier one hollow above it. */
export function FigureScale({ figure, now, before }: FigureScaleProps) {
  const { name, letter, ends } = FIGURES[figure];
  const x = scaleLinear(ENDS[figure], [8, WIDTH - 8]).clamp(true);
  const mark = ({ lab, plusMinus }: MeasuredColour, y: number, isNow: boolean) => (
    <g stroke={isNow ? 'var(--pond)' : 'var(--soft)'} strokeWidth={2.2}>
      <line x1={x(lab[figure] - plusMinus[figure])} x2={x(lab[figure] + plusMinus[figure])} y1={y} y2={y} />
      <circle cx={x(lab[figure])} cy={y} r={5} fill={isNow ? 'var(--pond)' : 'var(--surface)'} />
    </g>
  );
  return (
    <div>
      <p className="flex flex-wrap justify-between gap-x-3">
        <span>
          <span className="inline-block first-letter:uppercase">{name}</span> {letter}{' '}
          <span className="text-sm text-soft">({ends})</span>
        </span>
        <b>{sayFigure(now, figure)}</b>
      </p>
      <svg viewBox={`0 0 ${WIDTH} 32`} className="w-full" aria-hidden>
        <line
          x1={8}
          x2={WIDTH - 8}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke="var(--line)"
          strokeWidth={6}
          strokeLinecap="round"
        />
        {before && mark(before, MIDDLE - 9, false)}
        {mark(now, MIDDLE, true)}
      </svg>
    </div>
  );
}

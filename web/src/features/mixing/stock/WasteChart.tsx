import type { CostsView } from '@dewpond/contract';
import { scaleBand, scaleLinear } from 'd3-scale';
import { useMoney } from '../../../data/useMoney';
import { useWidth } from '../../../browser/useWidth';
import { showMonth } from './stockWords';

const HIGH = 200;
const BOTTOM = 40;
const TOP = 24;

/** A column a month: how much of what was mixed went down the drain. It is to fall. */
export function WasteChart({ waste }: { readonly waste: CostsView['waste'] }) {
  const money = useMoney();
  const [ref, wide] = useWidth<HTMLElement>(1040);
  const x = scaleBand(
    waste.map(({ month }) => month),
    [0, wide],
  ).padding(0.3);
  const y = scaleLinear([0, Math.max(0.2, ...waste.map(({ share }) => share))], [HIGH - BOTTOM, TOP]);
  const narrow = x.bandwidth() < 62;
  const [first, last] = [waste[0], waste.at(-1)];
  const trend =
    first && last && first !== last
      ? `from ${percent(first.share)} in ${showMonth(first.month)} to ${percent(last.share)} in ${showMonth(last.month)}`
      : '';
  return (
    <figure ref={ref}>
      <svg
        viewBox={`0 0 ${wide} ${HIGH}`}
        role="img"
        aria-label={`Thrown away by month, ${trend}`}
        className="w-full h-auto"
      >
        {waste.map(({ month, share, cost }) => (
          <g key={month}>
            <rect
              x={x(month)}
              y={y(share)}
              width={x.bandwidth()}
              height={HIGH - BOTTOM - y(share)}
              rx={4}
              fill="var(--watch-pale)"
              stroke="var(--watch)"
              strokeWidth={1.5}
            />
            <text
              x={(x(month) ?? 0) + x.bandwidth() / 2}
              y={y(share) - 6}
              textAnchor="middle"
              fontSize={15}
              fontWeight={700}
              fill="var(--ink)"
            >
              {percent(share)}
            </text>
            <text
              x={(x(month) ?? 0) + x.bandwidth() / 2}
              y={HIGH - 22}
              textAnchor="middle"
              fontSize={13}
              fill="var(--soft)"
            >
              {narrow ? showMonth(month).slice(0, 3) : showMonth(month)}
            </text>
            <text
              x={(x(month) ?? 0) + x.bandwidth() / 2}
              y={HIGH - 6}
              textAnchor="middle"
              fontSize={12.5}
              fill="var(--soft)"
            >
              {money(cost)}
            </text>
          </g>
        ))}
        <line x1={0} x2={wide} y1={HIGH - BOTTOM} y2={HIGH - BOTTOM} stroke="var(--line)" />
      </svg>
      {trend && <figcaption className="text-soft">{trend}</figcaption>}
    </figure>
  );
}

const percent = (share: number): string => `${Math.round(share * 100)} %`;

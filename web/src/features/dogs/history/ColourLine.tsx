import { COLOURED, FIGURES, type ColourReading, type Lab } from '@dewpond/core/colour';
import type { PictureEntry } from '@dewpond/core/record';
import { extent, group } from 'd3-array';
import { scaleLinear, scaleTime } from 'd3-scale';
import { line } from 'd3-shape';
import { showDay } from '../../../browser/times';
import { useWidth } from '../../../browser/useWidth';
import { sayFigure } from '../../../parts/pictures/sayReading';

const HEIGHT = 170;
const CAP = 5;
const LEAST_RANGE = 30;
const EDGE = { left: 40, right: 14, top: 12, bottom: 26 };

interface MeasuredOn {
  readonly day: PictureEntry['day'];
  readonly colour: ColourReading;
}

/** What was measured of one place over time, each with how far it may be off. Nothing below two of a kind. */
export function ColourLine({ pictures, name }: { readonly pictures: readonly PictureEntry[]; readonly name: string }) {
  const measured = pictures.flatMap(({ day, picture: { colour } }) => (colour ? [{ day, colour }] : []));
  const kinds = [...group(measured, ({ colour }) => colour.of)].filter(([, its]) => its.length > 1);
  return kinds.map(([of, its]) => <Line key={of} measured={its} name={`${COLOURED[of].name}, ${name}`} />);
}

/** Room for all of it with what each may be off, and never so near that a small step looks large. */
function rangeOf(measured: readonly MeasuredOn[], figure: keyof Lab): [number, number] {
  const ends = measured.flatMap(({ colour: { lab, plusMinus } }) => [
    lab[figure] - plusMinus[figure],
    lab[figure] + plusMinus[figure],
  ]);
  const [low = 0, high = 0] = extent(ends);
  const room = Math.max(0, (LEAST_RANGE - (high - low)) / 2);
  return [low - room, high + room];
}

function Line({ measured, name }: { readonly measured: readonly MeasuredOn[]; readonly name: string }) {
  const [ref, width] = useWidth<HTMLDivElement>(720);
  const [first, last] = [measured[0], measured.at(-1)];
  const figure = first && COLOURED[first.colour.of].counts[0];
  if (!first || !last || !figure) return null;
  const { name: says, letter, ends } = FIGURES[figure];
  const x = scaleTime([new Date(first.day), new Date(last.day)], [EDGE.left + 10, width - EDGE.right - 10]);
  const y = scaleLinear(rangeOf(measured, figure), [HEIGHT - EDGE.bottom, EDGE.top]).nice(4);
  const at = ({ day }: MeasuredOn) => x(new Date(day));
  const path = line<MeasuredOn>(at, ({ colour }) => y(colour.lab[figure]))([...measured]) ?? '';
  const told = measured.map(({ day, colour }) => `${showDay(day)} ${sayFigure(colour, figure)}`).join(', ');
  return (
    <figure ref={ref} className="max-w-3xl">
      <figcaption className="font-semibold">
        <span className="inline-block first-letter:uppercase">{name}</span>: {says} {letter}{' '}
        <span className="text-soft font-normal">({ends})</span>
      </figcaption>
      <svg width={width} height={HEIGHT} role="img" aria-label={`${name}: ${told}`}>
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1={EDGE.left} x2={width - EDGE.right} y1={y(tick)} y2={y(tick)} stroke="var(--line)" />
            <text x={EDGE.left - 8} y={y(tick) + 4} textAnchor="end" fontSize={12.5} fill="var(--soft)">
              {tick}
            </text>
          </g>
        ))}
        <path d={path} fill="none" stroke="var(--pond)" strokeWidth={2} />
        {measured.map((each, i) => {
          const { lab, plusMinus } = each.colour;
          const ends = { y1: y(lab[figure] - plusMinus[figure]), y2: y(lab[figure] + plusMinus[figure]) };
          return (
            <g key={i} stroke="var(--pond)" strokeWidth={2}>
              <line x1={at(each)} x2={at(each)} {...ends} />
              {[ends.y1, ends.y2].map((end) => (
                <line key={end} x1={at(each) - CAP} x2={at(each) + CAP} y1={end} y2={end} />
              ))}
              <circle cx={at(each)} cy={y(lab[figure])} r={5} fill="var(--surface)" />
            </g>
          );
        })}
        {[first, last].map((each, i) => (
          <text
            key={i}
            x={at(each)}
            y={HEIGHT - 6}
            textAnchor={i === 0 ? 'start' : 'end'}
            fontSize={12.5}
            fill="var(--soft)"
          >
            {showDay(each.day)}
          </text>
        ))}
      </svg>
    </figure>
  );
}

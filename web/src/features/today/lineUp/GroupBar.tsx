import { useDraggable } from '@dnd-kit/core';
import type { PartOfDay, PlacedGroup, Stretch } from '@dewpond/core/lineup';
import { stretchesOf, type RibbonScale } from './ribbonScale';

export const BAR = 34;

/** A part as one takes hold of it. */
export interface HeldPart {
  readonly dog: string;
  readonly part: PartOfDay;
  readonly from: number;
  readonly person: string;
}

interface GroupBarProps {
  readonly placed: PlacedGroup;
  readonly part: PartOfDay;
  readonly stretches: readonly Stretch[];
  readonly y: number;
  readonly scale: RibbonScale;
  /** What stands in it; without it each stage has its own name. */
  readonly label?: string;
  /** "Umber, bath, 9:05 to 9:50, Ines" */
  readonly says: string;
  readonly isHeld: boolean;
  readonly isSet: boolean;
}

/** A part of a dog's visit: its stages, and something to take hold of. While it waits in the tub it is hatched. */
export function GroupBar({ placed, part, stretches, y, scale, label, says, isHeld, isSet }: GroupBarProps) {
  const data: HeldPart = { dog: placed.dog, part, from: placed.from, person: placed.person };
  const { attributes, listeners, setNodeRef, transform } = useDraggable({ id: `${placed.dog} ${part}`, data });
  const { x } = scale;
  const [left, right] = [x(placed.from), x(placed.to)];
  return (
    <g
      ref={(node) => setNodeRef(node as unknown as HTMLElement | null)}
      transform={transform ? `translate(${transform.x} ${transform.y})` : undefined}
      className="cursor-grab select-none touch-none outline-none group/bar"
      opacity={isHeld ? 0.8 : 1}
      {...attributes}
      {...listeners}
      aria-label={says}
    >
      <title>{says}</title>
      {/* Also what one takes hold of between two stages, where nothing is drawn. */}
      <rect
        x={left + 0.5}
        y={y - 2}
        width={Math.max(2, right - left - 1)}
        height={BAR + 4}
        rx={8}
        fill="transparent"
        stroke={isSet ? 'var(--watch)' : 'transparent'}
        strokeWidth={2}
        className="group-focus-visible/bar:stroke-ink"
      />
      {label === undefined ? (
        stretchesOf(placed, stretches).map(({ name, dwell, from, to }, i) => (
          <Stage key={from} name={name} dwell={dwell} left={x(from)} right={x(to)} y={y} shade={i % 2} />
        ))
      ) : (
        <Stage name={label} dwell={false} left={left} right={right} y={y} shade={part === 'bath' ? 1 : 0} />
      )}
    </g>
  );
}

/** Whether words fit into a bar; a letter of the ribbon is about 6 px wide. */
export const fitsIn = (words: string, width: number): boolean => width > words.length * LETTER + 6;
const LETTER = 6;

interface StageProps {
  readonly name: string;
  readonly dwell: boolean;
  readonly left: number;
  readonly right: number;
  readonly y: number;
  readonly shade: number;
}

function Stage({ name, dwell, left, right, y, shade }: StageProps) {
  const width = Math.max(2, right - left - 1.5);
  const middle = left + width / 2;
  const fits = fitsIn(name, width);
  return (
    <>
      <rect
        x={left}
        y={y}
        width={width}
        height={BAR}
        rx={6}
        fill={dwell ? 'url(#dwell)' : 'var(--pond)'}
        stroke={dwell ? 'var(--pond)' : 'none'}
        opacity={dwell ? 0.75 : 1 - 0.13 * shade}
      />
      {fits && dwell && (
        <rect
          x={middle - name.length * 3.3 - 3}
          y={y + 9}
          width={name.length * 6.6 + 6}
          height={16}
          rx={4}
          fill="var(--surface)"
        />
      )}
      {fits && (
        <text x={middle} y={y + 21.5} textAnchor="middle" fontSize={12} fill={dwell ? 'var(--ink)' : 'var(--on-pond)'}>
          {name}
        </text>
      )}
    </>
  );
}

import type { TodayView } from '@dewpond/contract';
import type { LineUp, PlacedGroup } from '@dewpond/core/lineup';
import { duration, wallTime } from '../../../browser/times';
import { BAR, GroupBar } from './GroupBar';
import { Ground, ROW, TOP, barWords } from './Ribbon';
import { dogOf } from './dayOfWork';
import { laneLabels } from './laneLabels';
import type { RibbonScale } from './ribbonScale';

/** People with a lane: who works today, or has a dog all the same. */
export const peopleOfDay = (today: TodayView, { placed }: LineUp): TodayView['people'] =>
  today.people.filter(
    ({ id, hours }) =>
      hours.length > 0 ||
      placed.some(
        ({ person, helper, lifts }) => person === id || helper === id || lifts.some((lift) => lift.person === id),
      ),
  );

interface LanesProps {
  readonly today: TodayView;
  readonly lineUp: LineUp;
  readonly scale: RibbonScale;
  readonly now: number | null;
  readonly held: string | null;
}

/** The day by person: whose hands have which dog, breaks, and what lies past the hours. */
export function Lanes({ today, lineUp, scale, now, held }: LanesProps) {
  const { x, from, to } = scale;
  const people = peopleOfDay(today, lineUp);
  const height = people.length * ROW;
  const isHeldBar = (bar: PlacedGroup) => held === `${bar.dog} ${dogOf(today, bar.dog)?.groups[bar.group]?.part}`;
  return (
    <svg
      width={scale.width}
      height={TOP + height + 20}
      role="group"
      aria-label={`Line-up by person, ${people.length} people`}
    >
      <Ground scale={scale} height={height} now={now} />
      {people.map(({ id, hours }, row) => {
        const y = TOP + row * ROW;
        const labels = laneLabels(today, lineUp, id, scale);
        const closed = [
          ...hours.map(({ from: start }, i) => ({ from: i === 0 ? from : hours[i - 1]!.to, to: start })),
          { from: hours.at(-1)?.to ?? from, to },
        ];
        return (
          <g key={id}>
            {closed
              .filter((span) => span.to > span.from && span.to > from && span.from < to)
              .map((span) => (
                <rect
                  key={span.from}
                  x={x(Math.max(from, span.from))}
                  y={y - 4}
                  width={x(Math.min(to, span.to)) - x(Math.max(from, span.from))}
                  height={BAR + 8}
                  fill="url(#break)"
                  opacity={0.6}
                />
              ))}
            {lineUp.placed.map((each) => {
              const dog = dogOf(today, each.dog);
              const group = dog?.groups[each.group];
              if (!dog || !group) return null;
              if (each.helper === id)
                return (
                  <g key={`${each.dog} ${group.part} helps`}>
                    <title>{barWords(today, dog, each)}</title>
                    <rect
                      x={x(each.from) + 1}
                      y={y + 1}
                      width={x(each.to) - x(each.from) - 2}
                      height={BAR - 2}
                      rx={6}
                      fill="var(--pond-pale)"
                      stroke="var(--pond)"
                      strokeDasharray="4 3"
                    />
                    {x(each.to) - x(each.from) > 60 && (
                      <text
                        x={(x(each.from) + x(each.to)) / 2}
                        y={y + 21.5}
                        textAnchor="middle"
                        fontSize={12}
                        fill="var(--ink)"
                      >
                        holds {dog.appointment.dogName}
                      </text>
                    )}
                  </g>
                );
              const lifts = each.lifts.filter(({ person }) => person === id);
              if (lifts.length > 0)
                return lifts.map((lift) => (
                  <path
                    key={`${each.dog} ${group.part} lifts ${lift.from}`}
                    d={`M ${x(lift.from) + 1} ${y + BAR - 4} v -14 m -4 5 l 4 -5 l 4 5`}
                    fill="none"
                    stroke="var(--pond)"
                    strokeWidth={2.5}
                    strokeLinecap="round"
                  >
                    <title>{`lifts ${dog.appointment.dogName}, ${wallTime(lift.from)}`}</title>
                  </path>
                ));
              if (each.person !== id) return null;
              return (
                <GroupBar
                  key={`${each.dog} ${group.part}`}
                  placed={each}
                  part={group.part}
                  stretches={group.stretches}
                  y={y}
                  scale={scale}
                  label={labels.own.get(each) ?? ''}
                  says={barWords(today, dog, each)}
                  isHeld={isHeldBar(each)}
                  isSet={dog.byHand !== null}
                />
              );
            })}
            {labels.shared
              .filter(({ bars }) => bars.every((bar) => !isHeldBar(bar)))
              .map(({ middle, name }) => (
                <text
                  key={`${middle} ${name}`}
                  x={middle}
                  y={y + 21.5}
                  textAnchor="middle"
                  fontSize={12}
                  fill="var(--on-pond)"
                  className="pointer-events-none"
                >
                  {name}
                </text>
              ))}
          </g>
        );
      })}
    </svg>
  );
}

export function PersonNames({ today, lineUp }: { readonly today: TodayView; readonly lineUp: LineUp }) {
  return (
    <div className="md:pt-7">
      {peopleOfDay(today, lineUp).map(({ id, name, hours }) => {
        const minutes = lineUp.placed
          .filter(({ person, helper }) => person === id || helper === id)
          .reduce((sum, { from, to }) => sum + to - from, 0);
        return (
          <div key={id} className="h-[50px] overflow-hidden">
            <p className="font-bold truncate">{name}</p>
            <p
              className={
                hours.length > 0 ? 'text-[13px] text-soft leading-tight' : 'text-[13px] text-watch leading-tight'
              }
            >
              {hours.length === 0 ? 'not at work today' : minutes === 0 ? 'free' : `${duration(minutes)} on dogs`}
            </p>
          </div>
        );
      })}
    </div>
  );
}

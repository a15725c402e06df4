import type { HoursView } from '@dewpond/contract';
import { PLAN_COSTS, type PlacesOfSalon, type PlanCosts } from '@dewpond/core/bookings';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { typedNumber } from '../../../forms/typedNumber';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { tell } from '../../../ui/tell';

const PLACES: Readonly<Record<keyof PlacesOfSalon, { readonly name: string; readonly least: number }>> = {
  tables: { name: 'Tables', least: 1 },
  tubs: { name: 'Tubs', least: 1 },
  dryers: { name: 'Dryers', least: 1 },
  crates: { name: 'Crates', least: 0 },
};

/** By weight: its name, and what it is paid for. */
const COSTS: Readonly<Record<keyof PlanCosts, readonly [name: string, per: string]>> = {
  late: ['Late', 'each day past the window'],
  early: ['Too early', 'each day before the window opens'],
  trip: ['A household’s trip', 'each day it comes'],
  wish: ['A wish missed', 'each: day, time of day, person'],
  moved: ['A booking moved', 'each, to another day'],
  otherPerson: ['Another person', 'a booking that stays on its day'],
  drive: ['Driving', 'each minute'],
  uneven: ['Uneven days', 'hours of a day, squared'],
};
const COST_NAMES = Object.keys(COSTS) as readonly (keyof PlanCosts)[];
const PLACE_NAMES = Object.keys(PLACES) as readonly (keyof PlacesOfSalon)[];

type TypedPlanning = Readonly<Record<keyof PlanCosts | keyof PlacesOfSalon, string>>;

const asTyped = (places: PlacesOfSalon, costs: PlanCosts): TypedPlanning =>
  Object.fromEntries(
    Object.entries({ ...places, ...costs }).map(([name, value]) => [name, String(value)]),
  ) as TypedPlanning;

/** What is wrong with a number as it was typed; undefined where it holds. */
function troubleOf(name: keyof TypedPlanning, text: string): string | undefined {
  const value = typedNumber(text);
  if (name in PLACES) {
    const { least } = PLACES[name as keyof PlacesOfSalon];
    return Number.isInteger(value) && value >= least && value <= 20 ? undefined : `${least} to 20.`;
  }
  return value >= 0 && value <= 100 ? undefined : '0 to 100.';
}

/** What the salon has, and what planning weighs against each other. */
export function PlanningCard({ view }: { readonly view: HoursView }) {
  const { places, costs, version, mayEdit } = view;
  const stored = asTyped(places, costs);
  const [changed, setChanged] = useState<Partial<TypedPlanning>>({});
  const typed = { ...stored, ...changed };
  const names = [...PLACE_NAMES, ...COST_NAMES];
  const isChanged = names.some((name) => typed[name] !== stored[name]);
  const isRight = names.every((name) => troubleOf(name, typed[name]) === undefined);
  const numbers = <Name extends keyof TypedPlanning>(of: readonly Name[]) =>
    Object.fromEntries(of.map((name) => [name, typedNumber(typed[name])])) as Record<Name, number>;
  const save = useWrite('PUT /api/planning', {
    write: () =>
      call('PUT /api/planning', { body: { version, places: numbers(PLACE_NAMES), costs: numbers(COST_NAMES) } }),
    onSuccess: () => {
      setChanged({});
      tell('Planning goes by these numbers.');
    },
    tells: true,
  });
  const field = (name: keyof TypedPlanning) => ({
    value: typed[name],
    disabled: !mayEdit,
    inputMode: 'decimal' as const,
    error: troubleOf(name, typed[name]),
    onChange: ({ target }: { readonly target: { readonly value: string } }) =>
      setChanged({ ...changed, [name]: target.value }),
  });
  return (
    <Card title="What the salon has, and what planning weighs" aside="weeks and days are planned by it">
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (isRight) save.mutate();
        }}
      >
        <div className="grid grid-cols-4 max-md:grid-cols-2 gap-3 items-start">
          {PLACE_NAMES.map((name) => (
            <TextField key={name} label={PLACES[name].name} {...field(name)} />
          ))}
        </div>
        <p className="text-soft">
          One is a day that an ordinary task is late. What weighs more is given up last; 0 does not count.
        </p>
        <div className="grid grid-cols-4 max-lg:grid-cols-2 gap-3 items-start">
          {COST_NAMES.map((name) => (
            <TextField
              key={name}
              label={COSTS[name][0]}
              hint={`${COSTS[name][1]}${costs[name] === PLAN_COSTS[name] ? '' : `; usually ${PLAN_COSTS[name]}`}`}
              {...field(name)}
            />
          ))}
        </div>
        {mayEdit && isChanged && (
          <div className="flex gap-2">
            <Button type="submit" look="main" disabled={!isRight || save.isPending}>
              Keep
            </Button>
            <Button look="quiet" onClick={() => setChanged({})}>
              As it was
            </Button>
          </div>
        )}
      </form>
    </Card>
  );
}

import type { BusinessView } from '@dewpond/contract';
import type { Catalogue } from '@dewpond/core/catalogue';
import { makePlan } from '@dewpond/core/careplan';
import { plainDog } from '@dewpond/core/dog';
import { lifeStage } from '@dewpond/core/catalogue';
import { TASKS, taskKey } from '@dewpond/core/tasks';
import { namePlace, placeKey } from '@dewpond/core/places';
import { HEAVIEST_DOG_KG, LIGHTEST_DOG_KG, day, kilograms, yearsOld, type Day } from '@dewpond/core/units';
import { useMemo } from 'react';
import { typedNumber } from '../../../forms/typedNumber';
import { useBusiness, useSession } from '../../../data/queries';
import { useCatalogue } from '../../../data/useCatalogue';
import { DogHead } from '../../../drawings/DogHead';
import { Card } from '../../../ui/Card';
import type { DogForm } from './dogForm';

/** Until the session is known; nothing of a new dog's plan is dated. */
const BEFORE_SESSION = day('2026-01-01');

/** What this breed and these answers bring, before anything is saved: the same plan the server will make. */
export function PlanPreview({ form }: { readonly form: DogForm }) {
  const business = useBusiness().data;
  const today = useSession().data?.today ?? BEFORE_SESSION;
  const catalogue = useCatalogue();
  const { lines, traits } = useMemo(
    () => preview(form, business, today, catalogue),
    [form, business, today, catalogue],
  );
  return (
    <Card title="What this brings" aside="assumed until seen">
      <div className="grid grid-cols-[150px_1fr] gap-4 items-start">
        <DogHead traits={traits} grades={{}} className="w-full" />
        <p className="text-sm">
          {traits.coat} coat, {traits.ears} ears, {traits.canalHair === 'none' ? 'no' : traits.canalHair} hair in the
          canal, {traits.muzzle} muzzle, {traits.tearing === 'none' ? 'no' : traits.tearing} tearing
          {Object.keys(traits.folds).length > 0 &&
            `, folds: ${Object.entries(traits.folds)
              .map(([site, depth]) => `${depth} ${site}`)
              .join(', ')}`}
          .
        </p>
      </div>
      <ul className="mt-3 divide-y divide-line">
        {lines.map(({ key, name, days }) => (
          <li key={key} className="flex justify-between gap-3 py-1">
            <span>{name}</span>
            <span className="font-semibold whitespace-nowrap">{days}</span>
          </li>
        ))}
      </ul>
    </Card>
  );
}

function preview(form: DogForm, business: BusinessView | undefined, today: Day, catalogue: Catalogue) {
  const typed = typedNumber(form.weight);
  const weight = kilograms(typed >= LIGHTEST_DOG_KG && typed <= HEAVIEST_DOG_KG ? typed : 10);
  const facts = plainDog(
    form.breeds,
    {
      today,
      weight,
      lifeStage: lifeStage(form.born === '' || form.born > today ? null : yearsOld(form.born as Day, today), weight),
      canStandThroughBath: !form.cannotStand,
      skin: form.skin,
      coatCondition: form.coatCondition,
      swims: form.swims,
      tearingSeenByVet: form.tearingSeenByVet,
      earTrouble: form.earTrouble,
      pluckingConsent: form.pluckingConsent,
      nailsOvergrown: form.nailsOvergrown,
      handling: form.handling,
      ...(business ? { ways: business.ways, services: business.services, liftAloneKg: business.liftAloneKg } : {}),
    },
    catalogue,
  );
  const traits = { ...facts.traits, ...form.seen };
  const plan = makePlan({ ...facts, traits });
  const lines = plan.lines
    .filter((line) => line.interval && line.place?.side !== 'right')
    .map((line) => ({
      key: taskKey(line),
      name: line.place
        ? `${TASKS[line.task].name}${line.place.site.startsWith('fold') ? `, ${namePlace({ ...line.place, side: 'none' })}` : ''}`
        : TASKS[line.task].name,
      days: `every ${line.interval?.usual ?? 0} days`,
      place: line.place && placeKey(line.place),
    }));
  return { traits, lines };
}

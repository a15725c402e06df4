import { composeTraits, earOdds } from '@dewpond/core/catalogue';
import { DEFAULT_HOUSE_WAYS, FIT, TASKS, lifeStage, makePlan, taskKey } from '@dewpond/core/careplan';
import { namePlace, placeKey } from '@dewpond/core/places';
import { kilograms, yearsOld, type Day } from '@dewpond/core/units';
import { useMemo } from 'react';
import { useHouse, useSession } from '../../api/queries';
import { DogHead } from '../../drawings/DogHead';
import { Card } from '../../ui/Card';
import type { DogForm } from './dogForm';

/** What this breed and these answers bring, before anything is saved: the same plan the office will make. */
export function PlanPreview({ form }: { readonly form: DogForm }) {
  const ways = useHouse().data?.ways ?? DEFAULT_HOUSE_WAYS;
  const today = useSession().data?.today;
  const { lines, traits } = useMemo(() => preview(form, ways, today), [form, ways, today]);
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

function preview(form: DogForm, ways: typeof DEFAULT_HOUSE_WAYS, today: Day | undefined) {
  const { traits, breeds, handling } = composeTraits(form.breeds, {});
  const typed = Number(form.weight.replace(',', '.'));
  const weight = kilograms(typed >= 0.3 && typed <= 130 ? typed : 10);
  const on = today ?? ('2026-01-01' as Day);
  const ear = { conditions: [], plucked: { weeksAgo: null }, ownerForbidsPlucking: false };
  const plan = makePlan({
    traits,
    breedHandling: handling,
    weight,
    ways,
    today: on,
    lifeStage: lifeStage(form.born === '' || form.born > on ? null : yearsOld(form.born as Day, on), weight),
    canStandThroughBath: !form.cannotStand,
    skin: form.skin,
    fitness: FIT,
    swims: form.swims,
    grassSeedMonths: [],
    tearingSeenByVet: form.tearingSeenByVet,
    earTrouble: 'none',
    earOdds: earOdds(breeds),
    ears: { left: ear, right: ear },
    pluckingConsent: form.pluckingConsent,
    pluckingStress: 'none',
    nailsOvergrown: form.nailsOvergrown,
    pluckingByVetsOnly: false,
    instructions: [],
    lifts: [],
    suspended: {},
    earUnsettled: { left: null, right: null },
  });
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

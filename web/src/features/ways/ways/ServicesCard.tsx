import {
  ALL_SERVICES,
  BUSINESS_DOES,
  serviceOf,
  type BusinessDoes,
  type BusinessServices,
  type ServiceKey,
} from '@dewpond/core/ways';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import type { UnitSystem } from '@dewpond/core/units';
import { RadioGroup } from 'radix-ui';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { showLift } from './wayChoices';

const SHORT: Readonly<Record<BusinessDoes, string>> = { done: 'done', 'outside only': 'outside only', vet: 'vet' };

interface ServicesCardProps {
  readonly services: BusinessServices;
  readonly disabled: boolean;
  readonly onChange: (service: ServiceKey, does: BusinessDoes) => void;
}

/** What this business does at all, by place and law: a plan never asks for more. */
export function ServicesCard({ services, disabled, onChange }: ServicesCardProps) {
  return (
    <Card
      title="What this business does at all"
      aside={<SourceMark source={HOUSE_VALUE} because="Local codes come first. Where one forbids it, choose vet." />}
    >
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(340px,1fr))] max-md:grid-cols-1 gap-x-8 gap-y-3">
        {ALL_SERVICES.map((key) => {
          const { name, means, warns } = serviceOf(key);
          const offered = BUSINESS_DOES.filter((each) => means[each] !== undefined);
          return (
            <li key={key} className="flex flex-col gap-1">
              <div className="flex items-center justify-between gap-3">
                <span className="font-semibold leading-tight">{name}</span>
                <RadioGroup.Root
                  aria-label={name}
                  value={services[key]}
                  disabled={disabled}
                  onValueChange={(value) => onChange(key, value as BusinessDoes)}
                  className="flex rounded-xl border border-line overflow-hidden shrink-0"
                >
                  {offered.map((each) => (
                    <RadioGroup.Item
                      key={each}
                      value={each}
                      className="px-3 min-h-11 text-sm border-l border-line first:border-0 text-soft data-[state=checked]:bg-pond-pale data-[state=checked]:text-pond data-[state=checked]:font-semibold disabled:opacity-80"
                    >
                      {SHORT[each]}
                    </RadioGroup.Item>
                  ))}
                </RadioGroup.Root>
              </div>
              <p className="text-sm text-soft leading-snug">
                {means[services[key]]}
                {warns && <span className="text-watch"> · {warns}</span>}
              </p>
            </li>
          );
        })}
      </ul>
    </Card>
  );
}

const LIFTS_KG = [10, 12, 15, 18, 20, 23, 25, 30, 35];

interface LiftFieldProps {
  readonly kg: number;
  readonly units: UnitSystem;
  readonly disabled: boolean;
  readonly onChange: (kg: number) => void;
}

/** Above this weight two people lift. */
export function LiftField({ kg, units, disabled, onChange }: LiftFieldProps) {
  const choices = [...new Set([...LIFTS_KG, kg])].toSorted((a, b) => a - b);
  return (
    <SelectField
      label="One lifts up to"
      value={kg}
      disabled={disabled}
      onChange={(event) => onChange(Number(event.target.value))}
    >
      {choices.map((each) => (
        <option key={each} value={each}>
          {showLift(each, units)}
        </option>
      ))}
    </SelectField>
  );
}

import type { DogProfile } from '@dewpond/contract';
import { EAR_CONDITIONS } from '@dewpond/core/findings';
import { SIDES, type Side } from '@dewpond/core/places';
import { Toggle } from 'radix-ui';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import type { Fields } from '../../../forms/useDraft';
import type { DogForm } from './dogForm';
import { DayField } from '../../../forms/DayField';

interface HistoryFieldsProps {
  readonly draft: Fields<DogForm>;
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
/** Drops of today are asked at the door, not kept. */
const LASTING = EAR_CONDITIONS.filter((condition) => condition !== 'drops given today');
const STRESS: Readonly<Record<DogProfile['pluckingStress'], string>> = {
  none: 'borne well',
  slight: 'slight stress',
  plain: 'plain stress',
  bad: 'bad stress',
  'broke off': 'broke off last time',
};
type HistoryTick =
  'nailBled' | 'hazeKnown' | 'stiffJoints' | 'tightBreathing' | 'dirtyWork' | 'hardGround' | 'whiteCoat';
const PILL =
  'rounded-full border border-line px-3 min-h-11 text-[15px] text-soft data-[state=on]:bg-watch-pale data-[state=on]:text-watch data-[state=on]:border-watch data-[state=on]:font-semibold';

/** What was before: each ear apart, nails, eyes, products, and the months of grass seeds. */
export function HistoryFields({ draft }: HistoryFieldsProps) {
  const { form, set, field } = draft;
  const tick = (key: HistoryTick, label: string) => (
    <label className="flex items-center gap-3 min-h-11 cursor-pointer">
      <input
        type="checkbox"
        checked={form[key]}
        onChange={(event) => set({ [key]: event.target.checked })}
        className="size-5 accent-pond shrink-0"
      />
      {label}
    </label>
  );
  return (
    <Card title="What was before">
      {SIDES.map((side) => (
        <EarHistoryFields key={side} side={side} draft={draft} />
      ))}
      <div className="flex flex-col gap-3 mt-3 pt-3 border-t border-line">
        <SelectField label="Plucking, last time" {...field('pluckingStress')}>
          {(Object.keys(STRESS) as DogForm['pluckingStress'][]).map((stress) => (
            <option key={stress} value={stress}>
              {STRESS[stress]}
            </option>
          ))}
        </SelectField>
        <div>
          {tick('nailBled', 'A nail bled at some visit')}
          {tick('hazeKnown', 'A haze of the eye that a vet knows')}
          {tick('stiffJoints', 'Stiff joints')}
          {tick('tightBreathing', 'Breathes tightly')}
          {tick('dirtyWork', 'Farm, beach or mud')}
          {tick('hardGround', 'Walks on hard ground, or digs')}
          {tick('whiteCoat', 'White or pale coat')}
        </div>
        <TextField
          label="Reacted to"
          placeholder="a product, and what was seen"
          {...field('reactions', 'profile.reactions')}
        />
        <Months name="grass seeds" months={form.grassSeedMonths} set={(grassSeedMonths) => set({ grassSeedMonths })} />
        <Months name="hay fever" months={form.hayFeverMonths} set={(hayFeverMonths) => set({ hayFeverMonths })} />
      </div>
    </Card>
  );
}

interface MonthsProps {
  readonly name: string;
  readonly months: readonly number[];
  readonly set: (months: readonly number[]) => void;
}

/** The months of something, one tap each. */
const Months = ({ name, months, set }: MonthsProps) => (
  <div role="group" aria-label={`Months of ${name}`}>
    <p className="text-sm font-semibold mb-1.5">Months of {name}</p>
    <div className="grid grid-cols-6 gap-1.5">
      {MONTHS.map((month, i) => (
        <Toggle.Root
          key={month}
          pressed={months.includes(i + 1)}
          onPressedChange={(on) =>
            set(on ? [...months, i + 1].toSorted((a, b) => a - b) : months.filter((each) => each !== i + 1))
          }
          className={PILL}
        >
          {month}
        </Toggle.Root>
      ))}
    </div>
  </div>
);

interface EarProps extends HistoryFieldsProps {
  readonly side: Side;
}

/** One ear: what a vet found, when it was last plucked, whether its owner forbids it. */
function EarHistoryFields({ side, draft: { form, set, within } }: EarProps) {
  const ear = form.ears[side];
  const change = (more: Partial<typeof ear>) => set({ ears: { ...form.ears, [side]: { ...ear, ...more } } });
  const known = ear.plucked !== 'never' && ear.plucked !== 'not known';
  return (
    <fieldset className="flex flex-col gap-2 mb-3">
      <legend className="font-semibold first-letter:uppercase">{side} ear</legend>
      <div className="flex flex-wrap gap-1.5 mt-1">
        {LASTING.map((condition) => (
          <Toggle.Root
            key={condition}
            pressed={ear.conditions.includes(condition)}
            onPressedChange={(on) =>
              change({
                conditions: on ? [...ear.conditions, condition] : ear.conditions.filter((each) => each !== condition),
              })
            }
            className={PILL}
          >
            {condition}
          </Toggle.Root>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2 items-end">
        <SelectField
          label="Last plucked"
          value={known ? 'on' : ear.plucked}
          onChange={(event) =>
            change({ plucked: event.target.value === 'on' ? '' : event.target.value } as Partial<typeof ear>)
          }
        >
          <option value="not known">not known</option>
          <option value="never">never</option>
          <option value="on">on a day</option>
        </SelectField>
        {known && (
          <DayField
            label={`Day, ${side} ear`}
            error={within(`profile.ears.${side}.plucked`)}
            value={ear.plucked}
            onChange={(event) => change({ plucked: event.target.value } as Partial<typeof ear>)}
          />
        )}
      </div>
      <label className="flex items-center gap-3 min-h-11 cursor-pointer">
        <input
          type="checkbox"
          checked={ear.ownerForbidsPlucking}
          onChange={(event) => change({ ownerForbidsPlucking: event.target.checked })}
          className="size-5 accent-pond shrink-0"
        />
        Owner forbids plucking this ear
      </label>
    </fieldset>
  );
}

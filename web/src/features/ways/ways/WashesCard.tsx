import { BODY_WASHES } from '@dewpond/core/dilution';
import { WASH_TABLE, type Wash } from '@dewpond/core/needs';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { millilitres, showVolume, type UnitSystem } from '@dewpond/core/units';
import type { HouseWays } from '@dewpond/core/ways';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';
import { SourceMark } from '../../../ui/SourceMark';
import { AS_SHIPPED, dogsWords, oneChoice, type WayChoices } from './wayChoices';

const TITLES: Readonly<Record<Wash, string>> = {
  first: 'First wash: for dirt',
  second: 'Second wash: for coat and skin',
  only: 'One wash for both',
};

interface WashesCardProps {
  readonly choices: WayChoices;
  readonly washes: HouseWays['washes'];
  readonly units: UnitSystem;
  readonly disabled: boolean;
  readonly onChange: (change: Partial<WayChoices>) => void;
  /** How many dogs of the book each line decides for, as far as they are counted. */
  readonly decides: Readonly<Record<string, number>>;
}

/** What washes what: line by line which kind of product, and how much of it. The first line that fits a dog decides. */
export function WashesCard({ choices, washes, units, disabled, onChange, decides }: WashesCardProps) {
  const shown: readonly Wash[] = washes === 'two' ? ['first', 'second'] : ['only', 'first', 'second'];
  return (
    <Card
      title="What washes what"
      aside={
        <SourceMark
          source={HOUSE_VALUE}
          because="The first line that fits a dog decides. A dog’s own product goes before it, a vet’s word before both."
        />
      }
    >
      <div className="grid grid-cols-2 max-lg:grid-cols-1 gap-x-8 gap-y-4">
        {shown.map((wash) => (
          <section key={wash} aria-label={TITLES[wash]}>
            <h3 className="text-sm font-semibold text-soft mb-1">
              {washes === 'one' && wash !== 'only' ? `${TITLES[wash]} (oily coats)` : TITLES[wash]}
            </h3>
            <ul className="flex flex-col">
              {WASH_TABLE.filter((row) => row.wash === wash).map(({ id, kinds, because }) => (
                <li
                  key={id}
                  className="grid grid-cols-[1fr_190px] max-md:grid-cols-1 items-center gap-x-3 border-t border-line first:border-0 py-1.5"
                >
                  <span className="min-w-0">
                    <b className="font-semibold first-letter:uppercase inline-block">{id.slice(wash.length + 2)}</b>
                    {decides[id] !== undefined && <span className="text-sm text-pond"> {dogsWords(decides[id])}</span>}
                    <span className="block text-sm text-soft leading-snug">
                      {because}
                      {isChanged(choices, id) && <span className="text-pond"> · shipped: {kinds[0]}</span>}
                    </span>
                  </span>
                  <SelectField
                    label={`${TITLES[wash]}, ${id.slice(wash.length + 2)}`}
                    labelHidden
                    value={choices[`wash ${id}`] ?? AS_SHIPPED}
                    disabled={disabled}
                    onChange={(event) => onChange(oneChoice(`wash ${id}`, event.target.value))}
                  >
                    <option value={AS_SHIPPED}>{kinds[0]}</option>
                    {BODY_WASHES.filter((kind) => kind !== kinds[0]).map((kind) => (
                      <option key={kind} value={kind}>
                        {kind}
                      </option>
                    ))}
                  </SelectField>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
      <div className="mt-4 pt-3 border-t border-line">
        <MixField
          ml={choices.mixPerSquareMetre}
          units={units}
          disabled={disabled}
          onChange={(ml) => onChange({ mixPerSquareMetre: ml })}
        />
      </div>
    </Card>
  );
}

const isChanged = (choices: WayChoices, row: string): boolean => (choices[`wash ${row}`] ?? AS_SHIPPED) !== AS_SHIPPED;

const MIX_ML = [400, 500, 600, 700, 800, 900, 1000, 1200, 1400, 1600];

interface MixFieldProps {
  readonly ml: number;
  readonly units: UnitSystem;
  readonly disabled: boolean;
  readonly onChange: (ml: number) => void;
}

/** How much mix the first wash takes for a square metre of skin under a short, ordinary coat. */
function MixField({ ml, units, disabled, onChange }: MixFieldProps) {
  const choices = [...new Set([...MIX_ML, ml])].toSorted((a, b) => a - b);
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <SelectField
        label="Mix for the first wash, a square metre of skin"
        value={ml}
        disabled={disabled}
        onChange={(event) => onChange(Number(event.target.value))}
      >
        {choices.map((each) => (
          <option key={each} value={each}>
            {showVolume(millilitres(each), units)}
          </option>
        ))}
      </SelectField>
      <p className="text-sm text-soft max-w-[60ch]">
        Under a short coat of ordinary density; a dog of 10 kg has about half a square metre. Longer and denser coats
        take more, by themselves, and each dog has a factor of its own.
      </p>
    </div>
  );
}

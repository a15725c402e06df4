import { ALL_FIELDS, FIELDS, type ImportField, type Mapping, type CsvTable } from '@dewpond/core/importing';
import { Card } from '../../../ui/Card';
import { SelectField } from '../../../ui/SelectField';

interface ColumnMappingProps {
  readonly table: CsvTable;
  readonly mapping: Mapping;
  readonly onMapping: (mapping: Mapping) => void;
  readonly weightUnit: 'kg' | 'lb';
  readonly onWeightUnit: (unit: 'kg' | 'lb') => void;
  readonly dayOrder: 'day first' | 'month first';
  readonly onDayOrder: (order: 'day first' | 'month first') => void;
}

/** What each column holds, as guessed; a field that is taken moves over. */
export function ColumnMapping(props: ColumnMappingProps) {
  const { table, mapping, onMapping, weightUnit, onWeightUnit, dayOrder, onDayOrder } = props;
  const choose = (at: number, field: ImportField | null) =>
    onMapping(mapping.map((each, i) => (i === at ? field : each === field ? null : each)));
  const hasAmbiguousDay = mapping.includes('born');
  return (
    <Card title="What the columns hold" aside="guessed from the headings; change what is not right">
      <div className="grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-x-4 gap-y-3">
        {table.headings.map((heading, at) => (
          <SelectField
            key={at}
            label={heading || `Column ${at + 1}`}
            hint={<span className="block truncate">{sample(table, at)}</span>}
            value={mapping[at] ?? ''}
            onChange={(event) => choose(at, (event.target.value || null) as ImportField | null)}
          >
            <option value="">left out</option>
            {(['owner', 'dog'] as const).map((of) => (
              <optgroup key={of} label={of === 'owner' ? 'Owner' : 'Dog'}>
                {ALL_FIELDS.filter((field) => FIELDS[field].of === of).map((field) => (
                  <option key={field} value={field}>
                    {FIELDS[field].name}
                  </option>
                ))}
              </optgroup>
            ))}
          </SelectField>
        ))}
      </div>
      {(mapping.includes('weight') || hasAmbiguousDay) && (
        <div className="mt-4 pt-3 border-t border-line flex flex-wrap gap-4">
          {mapping.includes('weight') && (
            <SelectField
              label="Weights without a unit are"
              value={weightUnit}
              onChange={(event) => onWeightUnit(event.target.value as 'kg' | 'lb')}
            >
              <option value="kg">kilograms</option>
              <option value="lb">pounds</option>
            </SelectField>
          )}
          {hasAmbiguousDay && (
            <SelectField
              label="3/4/2021 is"
              value={dayOrder}
              onChange={(event) => onDayOrder(event.target.value as 'day first' | 'month first')}
            >
              <option value="day first">3 April</option>
              <option value="month first">4 March</option>
            </SelectField>
          )}
        </div>
      )}
    </Card>
  );
}

/** The first words below a heading. */
const sample = ({ rows }: CsvTable, at: number): string =>
  rows
    .map(({ cells }) => cells[at] ?? '')
    .filter(Boolean)
    .slice(0, 2)
    .join(' · ') || 'empty';

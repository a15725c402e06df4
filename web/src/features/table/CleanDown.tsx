import type { Step } from '@dewpond/core/steps';
import { useBusiness } from '../../data/queries';
import { Choice } from '../../ui/Choice';
import { Parts } from './Parts';
import { TimerButton } from './Timers';
import type { TableWork } from './useTable';
import { record } from './visitLog';

/** What is cleaned after this dog, with what, and the clock of its label: all of it stands in the business's log. */
export function CleanDown({ table, step }: { readonly table: TableWork; readonly step: Step }) {
  const shelf = useBusiness().data?.products ?? [];
  const disinfectants = shelf.filter(({ kind, archivedOn }) => kind === 'disinfectant' && archivedOn === null);
  const chosen = disinfectants.find(({ id }) => id === table.state.cleanedWith?.product);
  const onLabel = 60 * (chosen?.contact?.least ?? 0);
  const ticked = table.state.checked[step.id] ?? [];
  return (
    <section aria-label="Clean-down" className="flex flex-col gap-3 mt-2">
      {disinfectants.length > 0 && (
        <div role="group" aria-label="Disinfectant" className="flex flex-wrap gap-2">
          {disinfectants.map(({ id, name, label, contact }) => (
            <Choice
              key={id}
              chosen={id === chosen?.id}
              onClick={() => record({ type: 'cleaned with', product: id, name })}
            >
              {name}, {label}
              {contact && `, ${contact.least} min on its label`}
            </Choice>
          ))}
        </div>
      )}
      {step.dwell && (
        <TimerButton
          table={table}
          step={step}
          dwell={{ ...step.dwell, seconds: Math.max(step.dwell.seconds, onLabel) }}
        />
      )}
      <Parts
        table={table}
        step={step}
        name="Cleaned"
        all={(left) => (left === step.parts.length ? 'All of it is clean' : `The other ${left} are clean`)}
      />
      {ticked.length === 0 && (
        <p className="text-soft">
          Ticked, it stands in the clean-down log with your name and the time: House ways, Clean-down log.
        </p>
      )}
    </section>
  );
}

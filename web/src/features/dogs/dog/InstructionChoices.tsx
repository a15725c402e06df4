import { ALL_TASKS, TASKS, type Task } from '@dewpond/core/tasks';
import { useBusiness } from '../../../data/queries';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { instructionWords } from '@dewpond/core/dog';
import { tryBar, tryInterval, type ChoicesProps } from './whatIf';

const WAYS = { none: 'says nothing more', bar: 'says: leave it out', interval: 'says: every so many days' } as const;
type InstructionWay = keyof typeof WAYS;

/** If a word fell away, or a vet said another. */
export function InstructionChoices({ dog, scratch, set }: ChoicesProps) {
  const products = useBusiness().data?.products ?? [];
  const { given, without } = scratch;
  const way: InstructionWay = given === null ? 'none' : given.kind === 'interval' ? 'interval' : 'bar';
  const task: Task = given && 'task' in given ? given.task : 'bath';
  const days = given?.kind === 'interval' ? given.days : 14;
  const choose = (next: InstructionWay, about: Task, every: number) =>
    set(
      next === 'none'
        ? tryBar(scratch, '')
        : next === 'bar'
          ? tryBar(scratch, about)
          : tryInterval(scratch, about, every),
    );
  return (
    <section aria-label="If an instruction ended or was added">
      <h3 className="font-semibold mb-2">If an instruction ended, or was added</h3>
      {dog.instructions.map((each) => (
        <label key={each.id} className="flex items-center gap-3 min-h-11 cursor-pointer">
          <input
            type="checkbox"
            className="size-5 accent-pond"
            checked={!without.includes(each.id)}
            onChange={({ target: { checked } }) =>
              set({ ...scratch, without: checked ? without.filter((id) => id !== each.id) : [...without, each.id] })
            }
          />
          {instructionWords(each, products)}
        </label>
      ))}
      <div className="grid grid-cols-3 max-md:grid-cols-2 gap-3">
        <SelectField
          label="A vet"
          value={way}
          onChange={(event) => choose(event.target.value as InstructionWay, task, days)}
        >
          {(Object.keys(WAYS) as InstructionWay[]).map((each) => (
            <option key={each} value={each}>
              {WAYS[each]}
            </option>
          ))}
        </SelectField>
        {way !== 'none' && (
          <SelectField label="About" value={task} onChange={(event) => choose(way, event.target.value as Task, days)}>
            {ALL_TASKS.map((each) => (
              <option key={each} value={each}>
                {TASKS[each].name}
              </option>
            ))}
          </SelectField>
        )}
        {way === 'interval' && (
          <TextField
            label="Days"
            type="number"
            min={1}
            max={365}
            value={days}
            onChange={({ target: { value } }) => {
              const every = Math.round(Number(value));
              if (every >= 1 && every <= 365) choose('interval', task, every);
            }}
          />
        )}
      </div>
    </section>
  );
}

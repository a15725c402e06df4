import type { BusinessView } from '@dewpond/contract';
import { ASKED_AT_HOME, PRODUCT_TASKS, USES, USE_KINDS, type EarHairWay, type UseKind } from '@dewpond/core/dog';
import { TASKS, VET_TASKS, type Task, type VetTask } from '@dewpond/core/tasks';
import { everyWords } from '@dewpond/core/units';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { TASK_CHOICES, choosable, taskAtHome, vetTask, type InstructionForm } from './instructionForm';

interface SayingProps {
  readonly form: InstructionForm;
  readonly set: (change: Partial<InstructionForm>) => void;
  readonly products: readonly BusinessView['products'][number][];
  /** What the server said about a field. */
  readonly at: (path: string) => string | undefined;
}

const WAYS: Readonly<Record<EarHairWay, string>> = {
  leave: 'leave it',
  whole: 'pluck all of it',
  staged: 'pluck a little each time',
  trim: 'trim what sticks out',
  vet: 'only at the vet’s',
};

/** What each kind of instruction has to say. */
export function SayingFields({ form, set, products, at }: SayingProps) {
  switch (form.kind) {
    case 'bar':
      return <TaskField form={form} set={set} />;
    case 'vet saw':
      return (
        <SelectField
          label="What a vet has seen"
          hint="On the day it holds from; then it is not due for half a year."
          value={vetTask(form.task)}
          onChange={(event) => set({ task: event.target.value as VetTask })}
        >
          {VET_TASKS.map((task) => (
            <option key={task} value={task}>
              {TASKS[task].name}
            </option>
          ))}
        </SelectField>
      );
    case 'interval':
      return (
        <>
          <TaskField form={form} set={set} />
          <TextField
            label="Every … days"
            inputMode="numeric"
            value={form.days}
            onChange={(event) => set({ days: event.target.value })}
            error={at('says.days')}
          />
        </>
      );
    case 'at home':
      return (
        <>
          <SelectField
            label="Care"
            value={taskAtHome(form.task)}
            onChange={(event) => set({ task: event.target.value as Task })}
          >
            {ASKED_AT_HOME.map((task) => (
              <option key={task} value={task}>
                {TASKS[task].name}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="How often"
            hint="Wiped and dried each time. Ticks and agreed minutes do not lower it."
            value={form.timesADay}
            onChange={(event) => set({ timesADay: Number(event.target.value) as InstructionForm['timesADay'] })}
          >
            {([1, 2, 3] as const).map((times) => (
              <option key={times} value={times}>
                {everyWords(1 / times)}
              </option>
            ))}
          </SelectField>
        </>
      );
    case 'ear hair':
      return (
        <SelectField
          label="What to do with it"
          value={form.way}
          onChange={(event) => set({ way: event.target.value as EarHairWay })}
        >
          {Object.entries(WAYS).map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </SelectField>
      );
    case 'avoid':
      return (
        <TextField
          label="What it must not hold"
          placeholder="tea tree"
          hint="As a label names it. Products that list it are not mixed for this dog."
          value={form.ingredient}
          onChange={(event) => set({ ingredient: event.target.value })}
          error={at('says.ingredient')}
        />
      );
    case 'bath product':
      return <BathProduct form={form} set={set} products={products} at={at} />;
    case 'uses':
      return (
        <>
          <SelectField
            label="What"
            value={form.what}
            onChange={(event) => set({ what: event.target.value as UseKind })}
          >
            {USE_KINDS.map((what) => (
              <option key={what} value={what}>
                {USES[what].name}
              </option>
            ))}
          </SelectField>
          <TextField
            label="What it is called"
            hint={USES[form.what].follows}
            value={form.called}
            maxLength={80}
            onChange={(event) => set({ called: event.target.value })}
            error={at('says.name')}
          />
        </>
      );
    case 'product':
      return (
        <>
          <SelectField label="For" value={form.task} onChange={(event) => set({ task: event.target.value as Task })}>
            {PRODUCT_TASKS.map((task) => (
              <option key={task} value={task}>
                {TASKS[task].name}
              </option>
            ))}
          </SelectField>
          <ProductField form={form} set={set} products={products} at={at} />
        </>
      );
    case 'lift':
    case 'knows':
      return (
        <SelectField
          label={form.kind === 'lift' ? 'In spite of' : 'Which sign'}
          hint={form.kind === 'knows' ? 'slight and unchanged, it is noted and no more; its stop stays' : undefined}
          value={form.lifts}
          onChange={(event) => set({ lifts: event.target.value as InstructionForm['lifts'] })}
        >
          {choosable(form.kind, form.place).map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
      );
  }
}

const TaskField = ({ form, set }: Pick<SayingProps, 'form' | 'set'>) => (
  <SelectField label="Care" value={form.task} onChange={(event) => set({ task: event.target.value as Task })}>
    {TASK_CHOICES.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </SelectField>
);

const ProductField = ({ form, set, products, at }: SayingProps) =>
  products.length === 0 ? (
    <p role="status" className="self-end rounded-xl bg-watch-pale px-3 py-2">
      No such product is on the shelf. Add it there first: Mixing bench, Shelf.
    </p>
  ) : (
    <SelectField
      label="Product"
      value={form.productId}
      onChange={(event) => set({ productId: event.target.value })}
      error={at('says.productId')}
    >
      {products.map((product) => (
        <option key={product.id} value={product.id}>
          {product.name}
        </option>
      ))}
    </SelectField>
  );

function BathProduct({ form, set, products, at }: SayingProps) {
  return (
    <>
      <ProductField form={form} set={set} products={products} at={at} />
      <TextField
        label="Contact time, min"
        inputMode="numeric"
        value={form.contactMinutes}
        onChange={(event) => set({ contactMinutes: event.target.value })}
        error={at('says.contactMinutes')}
      />
      <label className="col-span-2 flex items-center gap-3 min-h-11 cursor-pointer">
        <input
          type="checkbox"
          checked={form.nothingElse}
          onChange={(event) => set({ nothingElse: event.target.checked })}
          className="size-5 accent-pond"
        />
        Nothing else on the skin: no conditioner, no scent, no extras
      </label>
    </>
  );
}

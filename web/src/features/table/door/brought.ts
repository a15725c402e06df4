import type { BusinessView, MixView } from '@dewpond/contract';
import { bathMix, mixCard, strengthOf, showStrength, surfaceArea, RESERVE, type Product } from '@dewpond/core/dilution';
import { BATH_TASKS, type BathTask } from '@dewpond/core/dog';
import type { BroughtBottle, ToldWord } from '@dewpond/core/events';
import { partAmounts } from '@dewpond/core/needs';
import type { Task } from '@dewpond/core/tasks';
import { millilitres } from '@dewpond/core/units';
import { partsOfWord } from '@dewpond/core/visit';
import { freeBottles } from '../../../parts/mixing/bottles';
import type { TableWork } from '../useTable';

/** A bottle that was brought, with the word it came with. */
interface Brought {
  readonly bottle: BroughtBottle;
  readonly word: ToldWord;
  readonly parts: readonly BathTask[];
}

/** Bottles brought to this table for the bath. */
const broughtFor = ({ state: { told, bottles } }: TableWork): Brought[] =>
  told.flatMap((word) => {
    const parts = partsOfWord(word.says);
    const bottle = bottles.find(({ id }) => 'productId' in word.says && word.says.productId === id);
    return bottle && parts.length > 0 ? [{ bottle, word, parts }] : [];
  });

/** As the bottle is mixed. Of the label only what was read at the table is known. */
const productOf = ({ bottle }: Brought): Product => ({
  id: bottle.id,
  name: bottle.name,
  kind: bottle.kind,
  label: bottle.label,
  dilution:
    bottle.waterParts === null ? { kind: 'ready to use' } : { kind: 'dilute', strength: strengthOf(bottle.waterParts) },
  contact: null,
  amountFactor: 1,
  suppliedBy: bottle.suppliedBy,
  costPerMl: null,
  cautions: [],
  ingredients: bottle.ingredients,
});

function mixOf(table: TableWork, bottles: BusinessView['bottles'], brought: Brought): MixView {
  const product = productOf(brought);
  const amounts = partAmounts(table.facts, product, 1);
  const of = (task: BathTask): number => (brought.parts.includes(task) ? amounts[task] : 0);
  const wash2 = of('second wash');
  const wash1 = BATH_TASKS.reduce((sum, task) => sum + of(task), 0) - wash2;
  const { dilution, ...rest } = product;
  return {
    product: { ...rest, strength: dilution.kind === 'dilute' ? showStrength(dilution.strength) : null },
    mix: mixCard(
      bathMix(
        millilitres(Math.max(1, wash1 + wash2)),
        product,
        freeBottles(bottles).map(({ bottle }) => bottle),
        null,
      ),
    ),
    strokeMl: null,
    tasks: brought.parts,
    note: `${brought.word.who} brought it`,
    working: { area: surfaceArea(table.facts.weight), wash1, wash2, factor: 1, reserve: RESERVE },
  };
}

/**
 * A mix of the morning without the parts that a brought bottle does now. How it is filled is no longer said: it was for
 * more, and a shown ratio is not read back.
 */
function without({ facts }: TableWork, view: MixView, gone: ReadonlySet<Task>): MixView {
  const { product, working } = view;
  const tasks = view.tasks.filter((task) => !gone.has(task));
  if (tasks.length === view.tasks.length) return view;
  const kind = product.strength === null ? 'ready to use' : 'dilute';
  const amounts = partAmounts(facts, { ...product, dilution: { kind } }, working.factor);
  const lost = BATH_TASKS.filter((task) => task !== 'second wash' && view.tasks.includes(task) && gone.has(task));
  const wash1 = Math.max(
    0,
    lost.reduce((left, task) => left - amounts[task], working.wash1),
  );
  const wash2 = tasks.includes('second wash') ? working.wash2 : 0;
  return {
    ...view,
    tasks,
    mix: { ...view.mix, need: wash1 + wash2, made: null },
    working: { ...working, wash1, wash2 },
  };
}

/** The mixes of this bath, with what was brought since the morning in place of what was planned for the same parts. */
export function mixesToday(table: TableWork, bottles: BusinessView['bottles']): readonly MixView[] {
  const brought = broughtFor(table);
  if (brought.length === 0) return table.visit.mixes;
  const parts: ReadonlySet<Task> = new Set(brought.flatMap((each) => each.parts));
  const alone = brought.some(({ word: { says } }) => says.kind === 'bath product' && says.nothingElse);
  const kept = alone
    ? []
    : table.visit.mixes.map((view) => without(table, view, parts)).filter(({ tasks }) => tasks.length > 0);
  return [...brought.map((each) => mixOf(table, bottles, each)), ...kept];
}

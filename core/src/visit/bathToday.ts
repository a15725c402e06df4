import { showStrength, strengthOf } from '../dilution';
import { BATH_TASKS, sourceOf, type BathTask } from '../dog';
import { conditionerWanted } from '../needs';
import type { BathShown, ProductShown, VisitPlan } from '../steps';
import type { VisitState } from './state';

type BathOfToday = Pick<VisitPlan, 'contactMinutes' | 'contactMost' | 'bath'>;

/** Parts of the bath that a bottle brought along is for. */
export const partsOfWord = (says: VisitState['told'][number]['says']): readonly BathTask[] =>
  says.kind === 'bath product'
    ? ['bath', 'second wash']
    : says.kind === 'product'
      ? BATH_TASKS.filter((task) => task === says.task)
      : [];

/** The bath as it was chosen in the morning, with what was brought to the table since. */
export function bathToday(
  morning: BathOfToday,
  { told, bottles }: VisitState,
  { facts, plan }: Pick<VisitPlan, 'facts' | 'plan'>,
): BathOfToday {
  const brought = told.flatMap((word) => {
    const id = 'productId' in word.says ? word.says.productId : null;
    const bottle = bottles.find((each) => each.id === id);
    const parts = partsOfWord(word.says);
    return bottle && parts.length > 0 ? [{ word, parts, bottle }] : [];
  });
  if (brought.length === 0) return morning;
  const shown: Partial<Record<BathTask, ProductShown>> = Object.fromEntries(
    brought.flatMap(({ word, parts, bottle }) => {
      const product: ProductShown = {
        productId: bottle.id,
        name: bottle.name,
        strength: bottle.waterParts === null ? null : showStrength(strengthOf(bottle.waterParts)),
        because: `${word.who} brought it`,
        source: sourceOf(word),
      };
      return parts.map((part) => [part, product]);
    }),
  );
  const { contactMinutes, contactMost = null, bath } = morning;
  const given = plan.bathProduct;
  const { conditioner } = shown;
  const conditioned = conditioner
    ? { wanted: true, because: conditioner.because, source: conditioner.source }
    : (bath?.conditioned ?? conditionerWanted(facts, null, true));
  const changed: BathShown = { ...NONE, ...bath, ...shown, conditioned };
  return {
    contactMinutes: given?.contactMinutes ?? contactMinutes,
    contactMost: given ? null : contactMost,
    bath: changed,
  };
}

const NONE = { bath: null, 'second wash': null, 'face wash': null, conditioner: null, trouble: [] } as const;

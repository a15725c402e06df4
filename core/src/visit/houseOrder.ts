import type { HouseWays } from '../ways';
import { STAGES, type Stage } from './steps';

/** The trade's order, with the house's alternatives. */
export function inHouseOrder(ways: HouseWays): Stage[] {
  const order = (Object.keys(STAGES) as Stage[]).filter((stage) => {
    if (stage === 'plugs') return ways.earPlugs === 'before the head';
    if (stage === 'first clip') return ways.firstClip === 'before the bath';
    return stage !== 'nails' || ways.nails === 'before the bath';
  });
  if (ways.earPlugs !== 'before the head') order.splice(order.indexOf('wet'), 0, 'plugs');
  if (ways.nails === 'after the bath') order.splice(order.indexOf('comb and tidy'), 0, 'nails');
  if (ways.firstClip === 'after drying') order.splice(order.indexOf('comb and tidy'), 0, 'first clip');
  if (ways.earsWhen === 'after') {
    order.splice(order.indexOf('ears, first pass'), 1);
    order.splice(order.indexOf('ears, second pass'), 1, 'ears, first pass');
  }
  return order;
}

import type { HouseWays } from '../ways';
import { washesHead } from '../work';
import { STAGES, type Stage } from './steps';

/** The trade's order, with the business's alternatives; with a mat in the coat it is brushed out before the bath, always. */
export function inHouseOrder(ways: HouseWays, hasMat: boolean): Stage[] {
  const noPlugs = ways.earPlugs === 'hand shield' || !washesHead({ ways });
  const brushLater = ways.brushOut === 'after the bath' && !hasMat;
  const order = (Object.keys(STAGES) as Stage[]).filter((stage) => {
    if (stage === 'plugs') return ways.earPlugs === 'before the head' && !noPlugs;
    if (stage === 'first clip') return ways.firstClip === 'before the bath';
    if (stage === 'brush-out') return !brushLater;
    return stage !== 'nails' || ways.nails === 'before the bath';
  });
  const before = (stage: Stage, moved: Stage) => order.splice(order.indexOf(stage), 0, moved);
  if (ways.earPlugs === 'before all water' && !noPlugs) before('wet', 'plugs');
  if (ways.nails === 'after the bath') before('comb and tidy', 'nails');
  if (brushLater) before('comb and tidy', 'brush-out');
  if (ways.firstClip === 'after drying') before('comb and tidy', 'first clip');
  if (ways.earsWhen === 'after') {
    order.splice(order.indexOf('ears, first pass'), 1);
    order.splice(order.indexOf('ears, second pass'), 1, 'ears, first pass');
  }
  return order;
}

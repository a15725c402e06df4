export type { Lathering } from './bathAmount';
export { againstProduct, chooseBath, type BathChoice, type ChosenProduct } from './bathChoice';
export { conditionerWanted, type ConditionerWanted } from './conditionerWanted';
export { standIns, type StandIn } from './insteadOf';
export { partAmounts } from './bathAmount';
export { lineAmounts, type EarWork, type LineAmount } from './lineAmounts';
export {
  PRODUCT_PARTS,
  predictedWithoutFactor,
  productsOf,
  visitNeeds,
  type Need,
  type EarsWorked,
  type VisitNeeds,
} from './visitNeeds';
export { WASH_TABLE, isTender, washRow, type Wash, type WashRow } from './washTable';

export { lineAmounts, type LineAmount } from './lineAmounts';
export {
  predictedWithoutFactor,
  productFactors,
  visitNeeds,
  type Need,
  type ProductRound,
  type VisitNeeds,
} from './visitNeeds';

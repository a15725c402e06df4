export { barsOf, circumstancesOf, type TodaysLook } from './barsOf';
export { nextEarHair, decideEarHair, type EarHairDecision } from './earHair';
export { dogAtWork, takesProduct } from './lineWork';
export { makePlan, type CarePlan, type PlanLine } from './makePlan';
export { prescribedOn, washesPlainFirst } from './prescribed';
export { restraintOf } from './restraintOf';
export { settleInterval, type Claim, type Settled } from './settleInterval';
export { ALL_TRENDS, type HomeCare, type KeptOff, type SaidLine, type Ticked, type Trend } from './spoken';

export { STOCK_KINDS, enter, type Entered, type Movement, type StockEntry, type StockKind } from './ledger';
export { COMING, comings, isLongAway, ownGap, type Coming, type Comings, type UsePerVisit } from './comings';
export {
  HORIZON_WEEKS,
  STRAYS,
  expectDraws,
  forecastStock,
  noDraw,
  orderState,
  type Draw,
  type OrderState,
  type StockForecast,
  type StockPoint,
  type StockQuestion,
} from './forecast';
export { wasteByMonth, type EndedMix, type WasteMonth } from './waste';

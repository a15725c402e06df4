export { STOCK_KINDS, enter, type Entered, type Movement, type StockEntry, type StockKind } from './ledger';
export { SPREAD, expectUses, type Coming, type ExpectedUse, type UsePerVisit } from './expectUses';
export {
  HORIZON_WEEKS,
  forecastStock,
  orderState,
  type OrderState,
  type StockForecast,
  type StockPoint,
  type StockQuestion,
} from './forecast';
export { wasteByMonth, type EndedMix, type WasteMonth } from './waste';

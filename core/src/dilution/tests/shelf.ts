import { strengthOf, type Product, type ProductKind } from '..';

/** A product of the business at 24:1, as the tests want it. */
export const productOf = (kind: ProductKind, more: Partial<Product> = {}): Product => ({
  id: kind,
  name: kind,
  kind,
  label: '24:1',
  dilution: { kind: 'dilute', strength: strengthOf(24) },
  contact: null,
  amountFactor: 1,
  suppliedBy: 'house',
  costPerMl: null,
  cautions: [],
  ingredients: [],
  ...more,
});

/** Where a number, a rule or a caution comes from. Shown on a tap beside whatever it backs. */
export type Source =
  | { readonly kind: 'common practice' }
  /** Quoted from memory; `cite` names author, year and journal. */
  | { readonly kind: 'published'; readonly cite: string }
  /** A default or stance of Dewpond or of the business, which it may change. */
  | { readonly kind: 'house value' }
  | { readonly kind: "this dog's record" }
  /** Printed on the product that is used. */
  | { readonly kind: 'product label' }
  | { readonly kind: 'vet instruction'; readonly who: string }
  | { readonly kind: 'owner instruction'; readonly who: string };

export const COMMON_PRACTICE: Source = { kind: 'common practice' };
export const HOUSE_VALUE: Source = { kind: 'house value' };
export const DOGS_RECORD: Source = { kind: "this dog's record" };
export const PRODUCT_LABEL: Source = { kind: 'product label' };
export const published = (cite: string): Source => ({ kind: 'published', cite });

/** A sentence with where it comes from. */
export interface Sourced {
  readonly words: string;
  readonly source: Source;
}

/** One short phrase: "common practice", "published: …", "Dr Oyelaran, vet". */
export function showSource(source: Source): string {
  switch (source.kind) {
    case 'published':
      return `published: ${source.cite} (value from memory)`;
    case 'vet instruction':
      return `vet instruction: ${source.who}`;
    case 'owner instruction':
      return `owner's wish: ${source.who}`;
    case 'common practice':
    case 'house value':
    case "this dog's record":
    case 'product label':
      return source.kind;
  }
}

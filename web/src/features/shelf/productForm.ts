import type { BodyOf, ProductView } from '@dewpond/contract';
import type { Caution } from '@dewpond/core/dilution';
import { readLabel, showStrength, type LabelReading, type Strength } from '@dewpond/core/dilution';

type ProductBody = Omit<BodyOf<'POST /api/products'>, 'id'>;

/** A product as typed. Numbers stay text until they are sent. */
export interface ProductForm {
  readonly name: string;
  readonly kind: ProductView['kind'];
  readonly label: string;
  /** Which of two readings of the label. */
  readonly reading: 0 | 1;
  /** A ratio within the label's range, or where the label gives none ("2 %" of a medicated one). */
  readonly dilution: string;
  readonly purposes: readonly { readonly purpose: string; readonly ratio: string }[];
  readonly contactLeast: string;
  readonly contactMost: string;
  readonly amountFactor: string;
  readonly usual: boolean;
  readonly suppliedBy: ProductView['suppliedBy'];
  readonly supplier: string;
  readonly cautions: readonly Caution[];
  /** One between commas or lines, as printed. */
  readonly ingredients: string;
  readonly containerMl: number;
  readonly price: string;
  readonly pumpId: string;
  readonly leadDays: string;
  readonly safetyMl: number;
}

export const EMPTY_PRODUCT: ProductForm = {
  name: '',
  kind: 'cleansing',
  label: '',
  reading: 0,
  dilution: '',
  purposes: [],
  contactLeast: '',
  contactMost: '',
  amountFactor: '1',
  usual: false,
  suppliedBy: 'house',
  supplier: '',
  cautions: [],
  ingredients: '',
  containerMl: 0,
  price: '',
  pumpId: '',
  leadDays: '7',
  safetyMl: 0,
};

type OneTo = 'N parts water' | 'N parts in all';

/** The form of a product that is kept; its reading of an ambiguous label is found again. */
export function formOf(product: ProductView, oneToN: OneTo): ProductForm {
  const read = readLabel(product.label, { medicated: product.kind === 'medicated', oneToN });
  const second = read.kind === 'ask which' && fraction(read.readings[1].strength) === product.waterParts;
  return {
    name: product.name,
    kind: product.kind,
    label: product.label,
    reading: second ? 1 : 0,
    dilution: product.strength ?? '',
    purposes: product.purposes.map(({ purpose, waterParts }) => ({ purpose, ratio: ratioOf(waterParts) })),
    contactLeast: product.contact ? String(product.contact.least) : '',
    contactMost: product.contact ? String(product.contact.most) : '',
    amountFactor: String(product.amountFactor),
    usual: product.usual,
    suppliedBy: product.suppliedBy,
    supplier: product.supplier,
    cautions: product.cautions,
    ingredients: product.ingredients.join(', '),
    containerMl: product.containerMl ?? 0,
    price: product.price === null ? '' : String(product.price),
    pumpId: product.pumpId ?? '',
    leadDays: String(product.leadDays),
    safetyMl: product.safetyMl,
  };
}

const fraction = (strength: Strength): string => strength.water.toFraction();
const ratioOf = (waterParts: string): string => {
  const read = readLabel(`${waterParts}:1`);
  return read.kind === 'read' ? showStrength(read.reading.strength) : waterParts;
};

export const readForm = (form: Pick<ProductForm, 'label' | 'kind'>, oneToN: OneTo): LabelReading =>
  readLabel(form.label, { medicated: form.kind === 'medicated', oneToN });

/** Parts of water as they are sent; null for ready to use, or while nothing can be read. */
export function waterPartsOf(form: ProductForm, oneToN: OneTo): string | null {
  const read = readForm(form, oneToN);
  switch (read.kind) {
    case 'read':
      return fraction(read.reading.strength);
    case 'ask which':
      return fraction(read.readings[form.reading].strength);
    case 'range':
      return typedRatio(form.dilution, oneToN) ?? fraction(read.weakest.strength);
    case 'ask for the dilution':
      return typedRatio(form.dilution, oneToN);
    case 'ready to use':
    case 'unreadable':
      return null;
  }
}

/** A ratio typed beside the label, by the house's habit; null when it is none. */
export function typedRatio(text: string, oneToN: OneTo): string | null {
  const read = readLabel(text, { medicated: false, oneToN });
  if (read.kind === 'read') return fraction(read.reading.strength);
  return read.kind === 'ask which' ? fraction(read.readings[0].strength) : null;
}

const number = (text: string): number => Number(text.replace(',', '.'));

/** What is sent. What does not fit is told by the office, at the field. */
export function bodyOf(form: ProductForm, oneToN: OneTo): ProductBody {
  const { contactLeast, contactMost } = form;
  const timed = contactLeast.trim() !== '' || contactMost.trim() !== '';
  return {
    name: form.name,
    kind: form.kind,
    label: form.label,
    waterParts: waterPartsOf(form, oneToN),
    purposes: form.purposes
      .filter(({ purpose, ratio }) => purpose.trim() !== '' || ratio.trim() !== '')
      .map(({ purpose, ratio }) => ({ purpose, waterParts: typedRatio(ratio, oneToN) ?? ratio })),
    contact: timed ? { least: number(contactLeast || contactMost), most: number(contactMost || contactLeast) } : null,
    amountFactor: number(form.amountFactor),
    usual: form.usual,
    suppliedBy: form.suppliedBy,
    supplier: form.supplier,
    cautions: [...form.cautions],
    ingredients: form.ingredients
      .split(/[,\n;]/)
      .map((each) => each.trim())
      .filter((each) => each !== ''),
    containerMl: form.containerMl > 0 ? form.containerMl : null,
    price: form.price.trim() === '' ? null : number(form.price),
    pumpId: form.pumpId === '' ? null : form.pumpId,
    leadDays: number(form.leadDays),
    safetyMl: form.safetyMl,
  };
}

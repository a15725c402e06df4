import type { Fields } from '../../../forms/useDraft';
import type { BodyOf, BusinessView, ProductView } from '@dewpond/contract';
import {
  exactParts,
  isWithin,
  labelMeaning,
  readLabel,
  readingsOf,
  sayReading,
  showStrength,
  strengthOf,
  type MixCaution,
  type LabelReading,
  type Reading,
  type RatioSaid,
} from '@dewpond/core/dilution';
import { readRatio } from '@dewpond/core/mixing';
import { typedNumber } from '../../../forms/typedNumber';

type ProductBody = Omit<BodyOf<'POST /api/products'>, 'id'>;

/** A ratio in a field: what is shown, and what it stands for until someone types. A shown number is never read back. */
export interface RatioTyped {
  readonly text: string;
  /** Exact parts of water, "5/4"; null: read from the text. */
  readonly exact: string | null;
}
const UNTYPED: RatioTyped = { text: '', exact: null };
const shown = (waterParts: string): RatioTyped => ({ text: showStrength(strengthOf(waterParts)), exact: waterParts });

/** A product as typed. Numbers stay text until they are sent. */
export interface ProductForm {
  readonly name: string;
  readonly kind: ProductView['kind'];
  readonly label: string;
  /** Which of the label's readings was taken; null: none yet. */
  readonly reading: RatioSaid | null;
  /** A ratio within the label's range, or where the label gives none ("2 %" of a medicated one). */
  readonly dilution: RatioTyped;
  readonly purposes: readonly { readonly purpose: string; readonly ratio: RatioTyped }[];
  readonly contactLeast: string;
  readonly contactMost: string;
  readonly amountFactor: string;
  readonly usual: boolean;
  readonly suppliedBy: ProductView['suppliedBy'];
  readonly supplier: string;
  readonly cautions: readonly MixCaution[];
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
  reading: null,
  dilution: UNTYPED,
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

/** How this business reads labels, and what a stroke of each of its pumps gives. */
export interface ReadingBusiness {
  readonly oneToN: 'N parts water' | 'N parts in all';
  readonly strokeOf: (pumpId: string) => number | null;
}

export const readingBusiness = ({ ways, pumps }: Pick<BusinessView, 'ways' | 'pumps'>): ReadingBusiness => ({
  oneToN: ways.readsOneTo,
  strokeOf: (pumpId) => pumps.find(({ id }) => id === pumpId)?.strokeMl ?? null,
});

/** The form of a product that is kept. */
export function formOf(product: ProductView): ProductForm {
  return {
    name: product.name,
    kind: product.kind,
    label: product.label,
    reading: product.waterParts === null ? null : { waterParts: product.waterParts, range: product.range },
    dilution: product.waterParts === null ? UNTYPED : shown(product.waterParts),
    purposes: product.purposes.map(({ purpose, waterParts }) => ({ purpose, ratio: shown(waterParts) })),
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

export const readForm = (
  form: Pick<ProductForm, 'label' | 'kind' | 'pumpId'>,
  business: ReadingBusiness,
): LabelReading =>
  readLabel(form.label, {
    medicated: form.kind === 'medicated',
    oneToN: business.oneToN,
    strokeMl: business.strokeOf(form.pumpId),
  });

/** The reading that was taken of the label, or the business's; null while a person has to say. */
export function takenReading(form: ProductForm, business: ReadingBusiness): Reading | null {
  const label = readForm(form, business);
  const meaning = labelMeaning(label, form.reading);
  if (meaning.kind === 'diluted') return meaning.reading;
  // What was taken of another label is no longer among this one's readings.
  const fresh = meaning.kind === 'refused' ? labelMeaning(label, null) : meaning;
  return fresh.kind === 'diluted' ? fresh.reading : null;
}

/** What is said of the label by all the fields together; null for ready to use, or while nothing can be read. */
export function saidOf(form: ProductForm, business: ReadingBusiness): RatioSaid | null {
  const label = readForm(form, business);
  if (label.kind === 'ready to use' || label.kind === 'unreadable') return null;
  const typed = typedRatio(form.dilution, business);
  if (readingsOf(label).length === 0) return typed === null ? null : { waterParts: typed, range: null };
  const reading = takenReading(form, business);
  if (reading === null) return null;
  const said = sayReading(reading);
  if (reading.range === null || typed === null) return said;
  // What was typed for another label's range does not outlive it; a slip of the finger is told by the server.
  const untouched = form.dilution.exact !== null && !isWithin(reading.range, strengthOf(typed));
  return untouched ? said : { ...said, waterParts: typed };
}

/** A ratio typed beside the label, exact, by the business's habit; null when it is none. */
export function typedRatio({ text, exact }: RatioTyped, { oneToN }: Pick<ReadingBusiness, 'oneToN'>): string | null {
  if (exact !== null) return exact;
  const read = readRatio(text, { medicated: false, oneToN });
  return read.kind === 'answer' ? exactParts(read.strength) : null;
}

/** What is sent. What does not fit is told by the server, at the field. */
export function bodyOf(form: ProductForm, business: ReadingBusiness): ProductBody {
  const said = saidOf(form, business);
  const { contactLeast, contactMost } = form;
  const timed = contactLeast.trim() !== '' || contactMost.trim() !== '';
  return {
    name: form.name,
    kind: form.kind,
    label: form.label,
    waterParts: said?.waterParts ?? null,
    range: said?.range ?? null,
    purposes: form.purposes
      .filter(({ purpose, ratio }) => purpose.trim() !== '' || ratio.text.trim() !== '')
      .map(({ purpose, ratio }) => ({ purpose, waterParts: typedRatio(ratio, business) ?? ratio.text })),
    contact: timed
      ? { least: typedNumber(contactLeast || contactMost), most: typedNumber(contactMost || contactLeast) }
      : null,
    amountFactor: typedNumber(form.amountFactor),
    usual: form.usual,
    suppliedBy: form.suppliedBy,
    supplier: form.supplier,
    cautions: [...form.cautions],
    ingredients: form.ingredients
      .split(/[,\n;]/)
      .map((each) => each.trim())
      .filter((each) => each !== ''),
    containerMl: form.containerMl > 0 ? form.containerMl : null,
    price: form.price.trim() === '' ? null : typedNumber(form.price),
    pumpId: form.pumpId === '' ? null : form.pumpId,
    leadDays: typedNumber(form.leadDays),
    safetyMl: form.safetyMl,
  };
}

/** What the parts of the form are given. */
export interface FieldsProps {
  readonly draft: Fields<ProductForm>;
  readonly business: BusinessView;
}

import { CAUTIONS } from '@dewpond/core/dilution';
import type { ProductForm } from './productForm';

/** Fields of a product as the form names them, to set two changes side by side. */
export const FIELD_NAMES: Readonly<Record<keyof ProductForm, string>> = {
  name: 'Name',
  kind: 'Kind',
  label: 'Ratio, as printed on the label',
  reading: 'How the label is read',
  dilution: 'Mixed to',
  purposes: 'Ratios for purposes',
  contactLeast: 'Contact time, least, min',
  contactMost: 'Contact time, most, min',
  amountFactor: 'Lather: × ordinary amount',
  usual: 'The usual one of its kind',
  suppliedBy: 'Who supplied it',
  supplier: 'Bought from',
  cautions: 'From its label',
  ingredients: 'Ingredients',
  containerMl: 'One container, ml',
  price: 'Price of a container',
  pumpId: 'Pump on it',
  leadDays: 'Days from order to shelf',
  safetyMl: 'Safety stock, ml',
};

/** A field as one reads it. */
export function showField(field: keyof ProductForm, form: ProductForm): string {
  switch (field) {
    case 'reading':
      return form.reading === null ? '' : `${form.reading.waterParts} parts of water to one`;
    case 'dilution':
      return form.dilution.text;
    case 'purposes':
      return form.purposes.map(({ purpose, ratio }) => `${purpose}: ${ratio.text}`).join('\n');
    case 'cautions':
      return form.cautions.map((caution) => CAUTIONS[caution].asks).join('\n');
    case 'usual':
      return form.usual ? 'yes' : 'no';
    case 'pumpId':
      return form.pumpId === '' ? 'none' : 'another pump';
    default:
      return String(form[field]);
  }
}

import type { CarePlan } from '../careplan';
import { showStrength } from '../dilution';
import type { BathChoice, ChosenProduct } from '../needs';
import type { BathShown, ProductShown } from '../steps';

/** The bath as it was chosen: what is shown of it, and how long its washes stay on. */
export interface ChosenBath {
  readonly shown: BathShown | null;
  /** Minutes the timed wash must stay on: the instruction first, then the label. */
  readonly contactMinutes: number;
  /** Most minutes on the skin, by the label; a vet's own time has no such end, null. */
  readonly contactMost: number | null;
}

/** The choice as a screen and a device need it. */
export function chosenBath(bath: BathChoice | null, { bathProduct: given }: Pick<CarePlan, 'bathProduct'>): ChosenBath {
  const label = bath?.bath?.product.contact ?? bath?.['second wash']?.product.contact;
  return {
    shown: bath && {
      bath: shown(bath.bath),
      'second wash': shown(bath['second wash']),
      'face wash': shown(bath['face wash']),
      conditioner: shown(bath.conditioner),
      conditioned: bath.conditioned,
      trouble: bath.trouble,
    },
    contactMinutes: given?.contactMinutes ?? label?.least ?? 0,
    contactMost: given ? null : (label?.most ?? null),
  };
}

const shown = (chosen: ChosenProduct | null): ProductShown | null =>
  chosen && {
    productId: chosen.product.id,
    name: chosen.product.name,
    strength: chosen.product.dilution.kind === 'dilute' ? showStrength(chosen.product.dilution.strength) : null,
    because: chosen.because,
    source: chosen.source,
  };

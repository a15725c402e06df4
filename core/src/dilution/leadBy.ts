import Fraction from 'fraction.js';
import { millilitres, type Millilitres } from '../units';
import { measure, realise, type Measuring } from './strokes';
import { concentration, type Strength } from './strength';

/** The one number a person sets; all others follow from it and the ratio. Volumes in ml. */
export type Lead =
  | { readonly by: 'total'; readonly ml: number }
  | { readonly by: 'product'; readonly ml: number }
  | { readonly by: 'water'; readonly ml: number }
  | { readonly by: 'strokes'; readonly strokes: number }
  /** So many dogs that take `each` ml of mix. */
  | { readonly by: 'dogs'; readonly dogs: number; readonly each: number };

export type LeadKind = Lead['by'];

export interface LeadQuestion {
  readonly lead: Lead;
  readonly strength: Strength;
  /** Ml of one stroke; null without a calibrated pump. */
  readonly stroke: Millilitres | null;
  readonly medicated: boolean;
  /** The most the vessel takes, ml. */
  readonly room: Millilitres;
  /** As in {@link measure}. */
  readonly mostWaste?: number;
}

export type Led =
  { readonly kind: 'led'; readonly how: Measuring } | { readonly kind: 'refused'; readonly why: string };

/**
 * Every number of a mix from any one of them. Where the total (or dogs) leads, strokes are rounded within the limits and
 * the realised ratio says so; where product, water or strokes lead, the mix is exactly the label's.
 */
export function leadBy(question: LeadQuestion): Led {
  const { lead, strength, stroke, medicated, room, ...business } = question;
  const share = concentration(strength);
  switch (lead.by) {
    case 'dogs':
      if (!(lead.dogs >= 1)) return refused('Say how many dogs.');
      return ofTotal(lead.dogs * lead.each);
    case 'total':
      return ofTotal(lead.ml);
    case 'product':
      if (!(lead.ml > 0)) return refused('No product, no mix: more than 0 ml.');
      return exactly(new Fraction(lead.ml).div(share), lead.ml);
    case 'water': {
      if (!(lead.ml > 0)) return refused('No water, no mix: more than 0 ml.');
      const total = new Fraction(lead.ml).div(new Fraction(1).sub(share));
      return exactly(total, total.sub(lead.ml).valueOf());
    }
    case 'strokes':
      if (stroke === null) return refused('The pump is not calibrated: weigh ten strokes, or measure in ml.');
      if (!Number.isInteger(lead.strokes) || lead.strokes < 1) return refused('At least one whole stroke.');
      return exactly(new Fraction(lead.strokes).mul(stroke).div(share), lead.strokes * stroke);
  }

  function ofTotal(total: number): Led {
    if (!(total > 0)) return refused('Say how much mix you want: more than 0 ml.');
    if (total > room) return tooMuch(total);
    return { kind: 'led', how: measure({ total: millilitres(total), strength, stroke, medicated, room, ...business }) };
  }
  function exactly(total: Fraction, product: number): Led {
    const size = total.valueOf();
    if (size > room) return tooMuch(size);
    return { kind: 'led', how: realise(size, product, share, stroke) };
  }
  function tooMuch(total: number): Led {
    return refused(`That comes to ${Math.round(total)} ml; the vessel takes ${Math.round(room)} ml.`);
  }
}

const refused = (why: string): Led => ({ kind: 'refused', why });

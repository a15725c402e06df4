import {
  measure,
  readLabel,
  tidyBatch,
  type Bottle,
  type LabelReading,
  type Measuring,
  type Strength,
} from '@dewpond/core/dilution';
import { millilitres, showVolume, type Millilitres, type UnitSystem } from '@dewpond/core/units';
import { judgePoured } from './benchSums';

export interface Question {
  readonly label: string;
  readonly medicated: boolean;
  readonly oneToN: 'N parts water' | 'N parts in all';
  /** Which of two readings, when the label can be read both ways. */
  readonly reading: 0 | 1;
  readonly total: number;
  /** 0 = no pump. */
  readonly stroke: number;
  readonly bottle: Bottle;
  readonly units: UnitSystem;
}

export interface Answer {
  readonly label: LabelReading;
  readonly strength: Strength | null;
  /** Null where nothing can be reckoned; `problem` says why. */
  readonly how: Measuring | null;
  readonly tidy: { readonly total: Millilitres; readonly strokes: number } | null;
  readonly warning: string | null;
  readonly problem: string | null;
}

/** The whole calculator: one question in, one answer out. Never throws; trouble comes back in words. */
export function reckon(question: Question): Answer {
  const label = readLabel(question.label, { medicated: question.medicated, oneToN: question.oneToN });
  const strength = strengthIn(label, question.reading);
  const nothing = { label, strength, how: null, tidy: null, warning: null };
  if (label.kind === 'unreadable' || label.kind === 'ask for the dilution') return { ...nothing, problem: label.why };
  if (strength === null) return { ...nothing, problem: null };
  if (!(question.total > 0)) return { ...nothing, problem: 'Say how much mix you want.' };
  if (question.total > question.bottle.brim)
    return {
      ...nothing,
      problem: `${question.bottle.name} holds ${showVolume(question.bottle.brim, question.units)} to the brim.`,
    };
  const stroke = question.stroke > 0 ? millilitres(question.stroke) : null;
  const { graduation, line } = question.bottle;
  const how = measure({
    total: millilitres(question.total),
    strength,
    stroke,
    medicated: question.medicated,
    room: question.bottle.brim,
  });
  const verdict = judgePoured(how.realised, strength, question.medicated);
  return {
    label,
    strength,
    how,
    tidy:
      stroke && graduation
        ? tidyBatch(millilitres(question.total), strength, stroke, { graduation, room: line })
        : null,
    warning: verdict.kind === 'fine' ? null : verdict.why,
    problem: null,
  };
}

function strengthIn(label: LabelReading, reading: 0 | 1): Strength | null {
  if (label.kind === 'read') return label.reading.strength;
  return label.kind === 'ask which' ? label.readings[reading].strength : null;
}

import type { Finding, PadColour } from '../findings';
import type { PlaceKey, Side } from '../places';
import type { VisitEvent } from './events';
import type { HandoverAnswers } from './handover';

export type StepMark = { readonly kind: 'done' } | { readonly kind: 'skipped'; readonly because: string };

/** A plug of one ear. "not found" is an outcome: vet today, and the visit may close. */
export type PlugState = 'none' | 'in' | 'out, dry' | 'out, damp' | 'not found';

export interface PadCount {
  readonly dirty: number;
  readonly worst: PadColour | null;
  /** A clean pad came: this ear is done. */
  readonly clean: boolean;
}

export interface TimerState {
  readonly timer: string;
  readonly step: string;
  readonly seconds: number;
  readonly started: VisitEvent;
  readonly stopped: VisitEvent | null;
}

export interface UsedProduct {
  readonly product: string;
  readonly name: string;
  readonly ml: number;
  readonly planned: number;
  readonly how: 'as planned' | 'a bit more' | 'double' | 'measured' | 'substituted';
}

/** A mix from the bench that this dog had. */
export interface TakenMix {
  readonly mix: string;
  readonly product: string;
  readonly override: string | null;
}

/** The visit as all its events together tell it. */
export interface VisitState {
  readonly opened: boolean;
  readonly steps: Readonly<Record<string, StepMark>>;
  readonly lookedClear: readonly PlaceKey[];
  readonly findings: readonly Finding[];
  readonly plugs: Readonly<Record<Side, PlugState>>;
  readonly pads: Readonly<Record<Side, PadCount>>;
  readonly timers: readonly TimerState[];
  readonly used: readonly UsedProduct[];
  readonly mixes: readonly TakenMix[];
  readonly answers: HandoverAnswers;
  readonly notes: readonly string[];
  readonly closed: 'finished' | 'ended early' | null;
  /** Work of a device that had not seen the close: taken in, and shown as such. */
  readonly cameInLater: readonly string[];
}

const NO_PADS: PadCount = { dirty: 0, worst: null, clean: false };

export const EMPTY_VISIT: VisitState = {
  opened: false,
  steps: {},
  lookedClear: [],
  findings: [],
  plugs: { left: 'none', right: 'none' },
  pads: { left: NO_PADS, right: NO_PADS },
  timers: [],
  used: [],
  mixes: [],
  answers: {},
  notes: [],
  closed: null,
  cameInLater: [],
};

import { STAGES, type Stage, type Step } from './steps';

/** A block of the day's ribbon: hands-on, or dwell in which another dog fits. */
export interface Block {
  readonly name: string;
  readonly minutes: number;
  readonly dwell: boolean;
}

/** Short names that fit on a strip. */
const SHORT: Readonly<Partial<Record<Stage, string>>> = {
  prepare: 'in',
  handover: 'in',
  'look-over': 'look',
  decide: 'look',
  'ears, first pass': 'ears',
  'eyes, on the table': 'eyes',
  'brush-out': 'brush',
  wet: 'bath',
  plugs: 'bath',
  'wash 1': 'bath',
  face: 'bath',
  'rinse 1': 'bath',
  'wash 2': 'bath',
  'last rinse': 'bath',
  'plugs out': 'bath',
  'water off': 'bath',
  'ears, second pass': 'face',
  folds: 'face',
  'comb and tidy': 'trim',
  'first clip': 'clip',
  record: 'out',
  'clean-down': 'out',
};

/** A pause shorter than this is no room for another dog. */
const SHORTEST_DWELL_MINUTES = 4;

/** Hands-on and dwell blocks of a visit, in order; steps of one short name are joined. Minutes are whole. */
export function timeline(steps: readonly Step[]): Block[] {
  const blocks: { name: string; minutes: number; dwell: boolean }[] = [];
  const add = (name: string, minutes: number, dwell: boolean) => {
    const last = blocks.at(-1);
    if (last && last.name === name && last.dwell === dwell) last.minutes += minutes;
    else if (minutes > 0) blocks.push({ name, minutes, dwell });
  };
  for (const step of steps) {
    if (step.barred) continue;
    // Disinfectant works while the next dog is greeted: the dog of this visit waits for nothing.
    const dwellMinutes = step.stage === 'clean-down' ? 0 : (step.dwell?.seconds ?? 0) / 60;
    if (dwellMinutes >= SHORTEST_DWELL_MINUTES)
      add(step.stage === 'dry' ? 'rest' : STAGES[step.stage].toLowerCase(), dwellMinutes, true);
    add(SHORT[step.stage] ?? STAGES[step.stage].toLowerCase(), step.minutes, false);
  }
  return blocks.map((block) => ({ ...block, minutes: Math.max(1, Math.round(block.minutes)) }));
}

export const totalMinutes = (blocks: readonly Block[]): number => blocks.reduce((sum, block) => sum + block.minutes, 0);

import type { DogView } from '@dewpond/contract';
import type { Instruction } from '@dewpond/core/dog';
import { daysBetween, type Day } from '@dewpond/core/units';

/** Days before its last day that an instruction is flagged [house value]. */
const FLAG_DAYS = 14;

export type InstructionState = 'to come' | 'holds' | 'ends soon' | 'ended';

/** Where an instruction stands on a day. */
export function instructionState({ from, until }: Pick<Instruction, 'from' | 'until'>, today: Day): InstructionState {
  if (today < from) return 'to come';
  if (until === null) return 'holds';
  if (until < today) return 'ended';
  return daysBetween(today, until) <= FLAG_DAYS ? 'ends soon' : 'holds';
}

export type DogInstruction = DogView['instructions'][number];

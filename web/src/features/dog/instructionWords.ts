import type { DogView, HouseView } from '@dewpond/contract';
import { TASKS, type Instruction } from '@dewpond/core/careplan';
import { SIGNS, type Sign } from '@dewpond/core/findings';
import { namePlace } from '@dewpond/core/places';
import { daysBetween, showDay, type Day } from '@dewpond/core/units';

type Products = Pick<HouseView, 'products'>['products'];

/** "No: clean ears, left ear (vet, until Thu 3 Dec)" */
export function instructionWords(given: Instruction, products: Products): string {
  const at = given.place ? `, ${namePlace(given.place)}` : '';
  const until = given.until === null ? '' : `, until ${showDay(given.until)}`;
  return `${sayingWords(given, products)}${at} (${given.by}${until})`;
}

function sayingWords({ says }: Instruction, products: Products): string {
  switch (says.kind) {
    case 'bar':
      return `No: ${TASKS[says.task].name.toLowerCase()}`;
    case 'interval':
      return `${TASKS[says.task].name} every ${says.days} days`;
    case 'avoid':
      return `Nothing with ${says.ingredient} in it`;
    case 'ear hair':
      return `Ear hair: ${says.way}`;
    case 'bath product': {
      const name = products.find((each) => each.id === says.productId)?.name ?? 'Own wash';
      return `${name}, ${says.contactMinutes} min${says.nothingElse ? ', nothing else on the skin' : ''}`;
    }
    case 'lift': {
      const sign = says.lifts in SIGNS ? SIGNS[says.lifts as Sign].name : says.lifts;
      return `May ${says.procedure} in spite of ${sign}`;
    }
  }
}

/** Days before its last day that an instruction is flagged [house value]. */
const FLAG_DAYS = 14;

export type Standing = 'to come' | 'holds' | 'ends soon' | 'ended';

/** Where an instruction stands on a day. */
export function standing({ from, until }: Pick<Instruction, 'from' | 'until'>, today: Day): Standing {
  if (today < from) return 'to come';
  if (until === null) return 'holds';
  if (until < today) return 'ended';
  return daysBetween(today, until) <= FLAG_DAYS ? 'ends soon' : 'holds';
}

export type DogInstruction = DogView['instructions'][number];

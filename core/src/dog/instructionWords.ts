import { isKnownSign, signWords } from '../findings';
import { namePlace } from '../places';
import { everyWords, showDay } from '../units';
import type { Instruction } from './instructions';
import { TASKS } from '../tasks';
import { USES } from './useKinds';

/** Products by their ids; a wash that is no longer on the shelf is "own wash". */
type Products = readonly { readonly id: string; readonly name: string }[];

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
    case 'vet saw':
      return `${TASKS[says.task].name}, ${showDay(says.on)}`;
    case 'interval':
      return `${TASKS[says.task].name} every ${says.days} days`;
    case 'at home':
      return `${TASKS[says.task].name} at home ${everyWords(1 / says.timesADay)}`;
    case 'avoid':
      return `Nothing with ${says.ingredient} in it`;
    case 'knows':
      return `Knows it, as always: ${signWords(says.sign).name}`;
    case 'ear hair':
      return `Ear hair: ${says.way}`;
    case 'uses':
      return `${USES[says.what].name}${says.name === '' ? '' : `: ${says.name}`}`;
    case 'product':
      return `${products.find((each) => each.id === says.productId)?.name ?? 'Own product'} for: ${TASKS[says.task].name.toLowerCase()}`;
    case 'bath product': {
      const name = products.find((each) => each.id === says.productId)?.name ?? 'Own wash';
      return `${name}, ${says.contactMinutes} min${says.nothingElse ? ', nothing else on the skin' : ''}`;
    }
    case 'lift': {
      const sign = isKnownSign(says.lifts) ? signWords(says.lifts).name : says.lifts;
      return `May ${says.procedure} in spite of ${sign}`;
    }
  }
}

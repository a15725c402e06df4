import type { Because, Happening } from './events';

/** Stands where somebody's words were. */
export const ERASED = '(erased)';

/** What was tapped names nobody; what was typed may. */
const unsaid = (because: Because): Because => (because.kind === 'choice' ? because : { ...because, words: ERASED });

/**
 * What happened, without what names or quotes an owner: what was seen and done stays, who said what goes. Used when a
 * client asks to be erased; staff who answer for a caution are the business's own and stay.
 */
export function withoutWords(what: Happening): Happening {
  switch (what.type) {
    case 'owner said':
    case 'noted':
      return { ...what, text: ERASED };
    case 'owner asked':
      return { ...what, question: ERASED, words: '', who: ERASED };
    case 'mat settled':
      return { ...what, word: ERASED, beneath: what.beneath && unsaid(what.beneath) };
    case 'word told': {
      const { says } = what.word;
      const said =
        says.kind === 'uses' ? { ...says, name: '' } : says.kind === 'avoid' ? { ...says, ingredient: ERASED } : says;
      return { ...what, word: { ...what.word, who: ERASED, says: said } };
    }
    case 'incident':
      return { ...what, incident: { ...what.incident, done: ERASED, told: '', words: '' } };
    case 'step skipped':
    case 'caution overridden':
    case 'went home':
      return { ...what, because: unsaid(what.because) };
    case 'piece settled':
      return { ...what, because: what.because && unsaid(what.because) };
    case 'mix taken':
      return what.override === null ? what : { ...what, override: ERASED };
    case 'step added':
      return { ...what, title: ERASED };
    case 'found': {
      const { more } = what.finding;
      if (!more?.words) return what;
      const { words: _, ...rest } = more;
      return { ...what, finding: { ...what.finding, more: rest } };
    }
    default:
      return what;
  }
}

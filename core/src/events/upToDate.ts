import { CHOICES, type DogChoice } from '../reasons';
import { tapped, typed, type Because, type Happening, type VisitEvent } from './events';

/** An event as some version wrote it: reasons were sentences up to version 2. */
export type OlderEvent = Omit<VisitEvent, 'what' | 'seen'> & {
  readonly what: unknown;
  readonly seen?: VisitEvent['seen'];
};

/**
 * The sentences that version 2 and older wrote for what was tapped, frozen as they were. Read once, when an old event is
 * brought up to date, and never for anything that is written today.
 */
const TAPPED_BEFORE: Readonly<Record<string, DogChoice>> = {
  'dog would not have it': 'would not have it',
  'owner does not want it': 'owner does not want it',
  'not needed today': 'not needed',
  'no time left': 'no time',
  'another day': 'another day',
  'the dog has had enough': 'has had enough',
  'the owner fetches it': 'owner fetches it',
  'no time left today': 'no time today',
  'on a vet’s word': 'vet’s word',
  'dog would not bear it': 'would not bear it',
  'dog in distress': 'in distress',
  'the vet said so': 'vet said so',
  'the skin reacts': 'skin reacts',
  'seen and judged otherwise': 'judged otherwise',
  'healthy skin': 'healthy skin',
  redness: 'red skin',
  'damp skin': 'damp skin',
  'a sore': 'a sore',
  'flea dirt': 'flea dirt',
};

/** A sentence of before, or a reason of today; one that this version does not know keeps the words sent with it. */
function because(said: string | Because): Because {
  if (typeof said !== 'string') {
    const isKnown = said.kind === 'choice' ? Object.hasOwn(CHOICES, said.choice) : said.kind === 'typed';
    return isKnown ? said : { kind: 'newer', words: said.words };
  }
  const choice = Object.hasOwn(TAPPED_BEFORE, said) ? TAPPED_BEFORE[said] : undefined;
  return choice === undefined ? typed(said) : tapped(choice);
}

/** What a newer version wrote, where today's cannot read it: it bears a name that no reader knows. */
export const unread = (was: unknown): Happening => ({ type: 'newer', was }) as unknown as Happening;

/** What was written, of something that is {@link unread}; null of everything else. */
export const unreadOf = (what: Happening): { readonly type: string } | null =>
  (what.type as string) === 'newer' ? (what as unknown as { readonly was: { readonly type: string } }).was : null;

/** An event of any version in today's shape. What somebody wrote stays, word for word. */
export function upToDate({ what, seen, ...event }: OlderEvent): VisitEvent {
  return { ...event, seen: seen ?? null, what: happeningUpToDate(what as Happening) };
}

function happeningUpToDate(what: Happening): Happening {
  switch (what.type) {
    case 'step skipped':
    case 'went home':
    case 'caution overridden':
      return { ...what, because: because(what.because) };
    case 'piece settled':
      return what.because === null ? what : { ...what, because: because(what.because) };
    case 'mat settled': {
      const beneath = what.beneath as string | Because | null;
      return { ...what, beneath: beneath === '' || beneath === null ? null : because(beneath) };
    }
    case 'owner asked':
      // Which proposal an older answer was about is not written down: it is asked once more, if it is still open.
      return { ...what, about: (what as { readonly about?: string | null }).about ?? null };
    default:
      return what;
  }
}

import type { EndpointKey } from '@dewpond/contract';
import { queryClient } from './queries';

/** What a screen asks for, by the first word of its key. */
const SESSION = ['session', 'members', 'calendar address'] as const;
/** Dogs, their owners and plans, and all that is reckoned from them. */
const BOOK = [
  ...['today', 'dogs', 'dog', 'clients', 'client', 'vets', 'appointments', 'watch', 'referrals', 'home', 'mix'],
  ...['prefetch', 'mixing', 'stock', 'sheet', 'draft', 'history', 'merge', 'erasure', 'links', 'messages', 'audit'],
  'clean-downs',
  'slots',
  'round',
  'ahead',
  'gap',
  'answers',
  'first steps',
] as const;
/** Products, bottles, mixes and the ledger. */
const MIXING = [
  ...[
    'business',
    'mixing',
    'stock',
    'ledger',
    'costs',
    'trace starts',
    'trace',
    'touched',
    'first steps',
    'mix',
    'today',
    'prefetch',
    'dog',
  ],
  'audit',
] as const;
const TALK = ['status', 'messages', 'referrals', 'today', 'dog', 'history', 'watch', 'draft', 'audit'] as const;
const EVERYTHING = 'everything';

/** Endpoints that write. */
export type WriteKey = Extract<EndpointKey, `POST ${string}` | `PUT ${string}`>;

/** Which answers of the server a write makes stale. An owner's own page is another application, and has its own. */
export const MAKES_STALE: Readonly<Record<WriteKey, readonly string[] | typeof EVERYTHING>> = {
  'PUT /api/rights': ['rights', ...SESSION],
  'PUT /api/people/:id': ['people', ...SESSION, ...BOOK],
  'POST /api/people/:id/left': ['people', 'handover', ...SESSION, ...BOOK],
  'POST /api/people/:id/back': ['people', ...SESSION, ...BOOK],
  'POST /api/people/:id/signed-out': ['people', 'my sessions'],
  'POST /api/people/:id/second-factor': ['people'],
  'PUT /api/second-factor': ['people', ...SESSION],
  'POST /api/invitations': ['people', 'audit'],
  'POST /api/invitations/:id/withdrawn': ['people', 'audit'],
  'POST /api/me/sessions/:id/ended': ['my sessions'],
  'POST /api/join': ['invitation'],
  'POST /api/join/look': [],
  'POST /api/forgotten': [],
  'POST /api/begin': ['begin link'],
  'POST /api/begin/look': [],
  'POST /api/ahead': BOOK,
  'POST /api/absences': ['hours', ...BOOK],
  'POST /api/appointments': BOOK,
  'POST /api/away': ['hours', ...BOOK],
  'POST /api/away/:id/ended': ['hours', ...BOOK],
  'POST /api/book/reckon': BOOK,
  'POST /api/bottles': MIXING,
  'POST /api/breeds/reset': EVERYTHING,
  'POST /api/clients': BOOK,
  'POST /api/clients/:id/erasure': EVERYTHING,
  'POST /api/clients/:id/merge': BOOK,
  'POST /api/dogs': BOOK,
  'POST /api/dogs/:id/instructions': BOOK,
  'POST /api/dogs/:id/merge': BOOK,
  'POST /api/dogs/:id/programme': BOOK,
  'POST /api/dogs/:id/weighings': BOOK,
  'POST /api/imports': ['imports', ...BOOK],
  'POST /api/links': ['links', ...TALK],
  'POST /api/merges/:id/undo': BOOK,
  'POST /api/messages': ['links', ...TALK],
  'POST /api/mixes': MIXING,
  'PUT /api/answers/:id': ['answers'],
  'PUT /api/members/:id/skills': ['hours', ...BOOK],
  'PUT /api/reminders': ['hours'],
  'PUT /api/owner/answers': [],
  'POST /api/owner/seen': [],
  'POST /api/products': MIXING,
  'POST /api/programmes/:id/lessons': BOOK,
  'POST /api/pumps': MIXING,
  'PUT /api/planning': ['hours', ...BOOK],
  'PUT /api/round': BOOK,
  'PUT /api/van': ['round', 'audit'],
  'POST /api/series': BOOK,
  'POST /api/stock': MIXING,
  'POST /api/vets': BOOK,
  'POST /api/visits': BOOK,
  'POST /api/visits/:id/events': EVERYTHING,
  'PUT /api/ahead': [],
  'PUT /api/appointments/:id': BOOK,
  'PUT /api/bottles/:id': MIXING,
  'PUT /api/bottles/:id/shelf': MIXING,
  'PUT /api/breeds': EVERYTHING,
  'PUT /api/clients/:id': BOOK,
  'PUT /api/clients/:id/archive': BOOK,
  'PUT /api/clients/:id/household': BOOK,
  'PUT /api/clients/:id/wishes': BOOK,
  'PUT /api/dogs/:id': BOOK,
  'PUT /api/dogs/:id/archive': BOOK,
  'PUT /api/dogs/:id/needs': BOOK,
  'PUT /api/business': EVERYTHING,
  'PUT /api/imports/:id': ['imports', ...BOOK],
  'PUT /api/instructions/:id': BOOK,
  'PUT /api/profile': ['profile', 'business', 'sheet', 'draft', 'home', 'session', 'audit'],
  'PUT /api/links/:id/revoke': ['links', ...TALK],
  'PUT /api/lots/:id': MIXING,
  'PUT /api/me': SESSION,
  'PUT /api/members/:id/week': ['hours', ...BOOK],
  'PUT /api/business/calendar': ['calendar address'],
  'PUT /api/me/calendar': SESSION,
  'PUT /api/messages/:id': TALK,
  'PUT /api/mixes/:id': MIXING,
  'PUT /api/owner/home': [],
  'PUT /api/owner/vet-looks': [],
  'PUT /api/products/:id': ['sheet', 'home', ...MIXING],
  'PUT /api/products/:id/shelf': MIXING,
  'PUT /api/programmes/:id': BOOK,
  'PUT /api/pumps/:id': MIXING,
  'PUT /api/pumps/:id/calibration': MIXING,
  'PUT /api/pumps/:id/shelf': MIXING,
  'PUT /api/referrals/:id': TALK,
  'PUT /api/vets/:id': BOOK,
  'PUT /api/visits/:id/sheet': ['sheet', ...TALK],
};

/** Asks anew for what these writes have changed, as far as it is on a screen; the rest when it is next looked at. */
export async function makeStale(endpoints: readonly WriteKey[]): Promise<void> {
  const names = endpoints.map((each) => MAKES_STALE[each]);
  if (names.includes(EVERYTHING)) return queryClient.invalidateQueries();
  const stale = new Set(names.flat());
  await queryClient.invalidateQueries({ predicate: ({ queryKey }) => stale.has(String(queryKey[0])) });
}

import type { Deed } from '@dewpond/core/rights';
import type { EndpointKey } from './endpoints';
import type { FILES } from './files';

type AskedAddress = EndpointKey | keyof typeof FILES;
/** Without a session: whoever comes to a shared tablet, by its secret and a PIN; whoever joins or begins, by the secret of an invitation; owners, by the secret of their link; a carrier of text messages, by its signature; calendars, by their address; whoever asks whether we are alive. */
type UnsignedAddress =
  | `GET /api/health${'' | '/live' | '/ready'}`
  | 'GET /api/calendars/:token'
  | 'POST /api/forgotten'
  | 'POST /api/message-states'
  | Extract<AskedAddress, `${string} /api/tablet` | `${string} /api/tablet/${string}`>
  | Extract<AskedAddress, `POST /api/${'join' | 'begin'}` | `POST /api/${'join' | 'begin'}/look`>
  | Extract<AskedAddress, `${string} /api/owner` | `${string} /api/owner/${string}`>;
export type SignedInKey = Exclude<AskedAddress, UnsignedAddress>;

const EVERYBODY = 'everybody';

/** What of the table of rights each address asks for; no address is without a line. What depends on what is sent is asked beside it. */
export const RIGHTS: Readonly<Record<SignedInKey, Deed | typeof EVERYBODY>> = {
  'GET /api/clients': 'see addresses',
  'GET /api/clients/:id': 'see addresses',
  'GET /api/round': 'see addresses',

  'POST /api/clients': 'change clients',
  'PUT /api/clients/:id': 'change clients',
  'PUT /api/clients/:id/archive': 'change clients',
  'PUT /api/clients/:id/household': 'change clients',
  'PUT /api/clients/:id/wishes': 'change clients',
  'POST /api/dogs': 'change clients',

  'GET /api/clients/:id/merge': 'merge',
  'POST /api/clients/:id/merge': 'merge',
  'GET /api/dogs/:id/merge': 'merge',
  'POST /api/dogs/:id/merge': 'merge',
  'POST /api/merges/:id/undo': 'merge',

  'GET /api/export/:file': 'export',
  'GET /api/clients/:id/record.zip': 'export',
  'GET /api/house/all.zip': 'move house',

  'GET /api/imports': 'import',
  'POST /api/imports': 'import',
  'GET /api/imports/:id': 'import',
  'PUT /api/imports/:id': 'import',

  'POST /api/branches': 'keep branches',
  'PUT /api/branches/:id': 'keep branches',
  'PUT /api/branches/:id/open': 'keep branches',
  'PUT /api/dogs/:id/branch': 'change dogs',
  'PUT /api/members/:id/branch': 'say hours',
  'POST /api/stock/moves': 'keep the shelf',

  'GET /api/kept': 'say what is kept',
  'PUT /api/kept': 'say what is kept',
  'GET /api/clients/:id/erasure': 'erase',
  'POST /api/clients/:id/erasure': 'erase',

  'PUT /api/dogs/:id': 'change dogs',
  'PUT /api/dogs/:id/archive': 'change dogs',
  'PUT /api/dogs/:id/needs': 'change dogs',
  'PUT /api/dogs/:id/home': 'change dogs',
  'PUT /api/dogs/:id/home-bath': 'change dogs',

  'POST /api/dogs/:id/weighings': 'weigh and teach',
  'POST /api/dogs/:id/programme': 'weigh and teach',
  'POST /api/programmes/:id/lessons': 'weigh and teach',
  'PUT /api/programmes/:id': 'weigh and teach',

  'POST /api/dogs/:id/instructions': 'owner words',
  'PUT /api/instructions/:id': 'owner words',

  'PUT /api/instructions/:id/letter': 'vet words',
  'DELETE /api/instructions/:id/letter': 'vet words',

  'POST /api/vets': 'list vets',
  'PUT /api/vets/:id': 'list vets',

  'POST /api/visits': 'work',
  'POST /api/visits/:id/events': 'work',
  'PUT /api/visits/:id/photos/:photo': 'work',

  'PUT /api/visits/:id/sheet': 'change sheets',

  'GET /api/dogs/:id/draft': 'write to owners',
  'POST /api/messages': 'write to owners',
  'PUT /api/messages/:id': 'write to owners',
  'POST /api/links': 'write to owners',
  'PUT /api/links/:id/revoke': 'write to owners',
  'GET /api/dogs/:id/record.:form': 'write to owners',

  'PUT /api/referrals/:id': 'follow referrals',

  'POST /api/appointments': 'book',
  'PUT /api/appointments/:id': 'book',
  'POST /api/series': 'book',
  'POST /api/ahead': 'book',
  'PUT /api/ahead': 'book',
  'PUT /api/round': 'book',
  'PUT /api/answers/:id': 'book',

  'PUT /api/planning': 'say hours',
  'PUT /api/van': 'say hours',
  'PUT /api/reminders': 'say hours',
  'PUT /api/members/:id/week': 'say hours',
  'PUT /api/members/:id/skills': 'say hours',
  'POST /api/away': 'say hours',
  'POST /api/absences': 'say hours',
  'POST /api/away/:id/ended': 'say hours',

  'GET /api/business/calendar': 'all bookings',
  'PUT /api/business/calendar': 'all bookings',

  'POST /api/mixes': 'mix',
  'PUT /api/mixes/:id': 'mix',

  'PUT /api/products/:id': 'keep the shelf',
  'PUT /api/products/:id/shelf': 'keep the shelf',
  'POST /api/pumps': 'keep the shelf',
  'PUT /api/pumps/:id': 'keep the shelf',
  'PUT /api/pumps/:id/calibration': 'keep the shelf',
  'PUT /api/pumps/:id/shelf': 'keep the shelf',
  'POST /api/bottles': 'keep the shelf',
  'PUT /api/bottles/:id': 'keep the shelf',
  'PUT /api/bottles/:id/shelf': 'keep the shelf',
  'POST /api/stock': 'keep the shelf',
  'PUT /api/lots/:id': 'keep the shelf',

  'POST /api/products': 'say dilutions',

  'GET /api/costs': 'see costs',

  'GET /api/people': 'keep people',
  'PUT /api/people/:id': 'keep people',
  'GET /api/people/:id/handover': 'keep people',
  'POST /api/people/:id/left': 'keep people',
  'POST /api/people/:id/back': 'keep people',
  'POST /api/people/:id/signed-out': 'keep people',
  'POST /api/people/:id/second-factor': 'keep people',
  'PUT /api/second-factor': 'keep people',
  'POST /api/people/:id/pin-removed': 'keep people',
  'GET /api/tablets/:id/held': 'keep people',
  'POST /api/tablets/:id/held': 'keep people',
  'POST /api/invitations': 'keep people',
  'POST /api/invitations/:id/withdrawn': 'keep people',

  'POST /api/tablets': 'keep tablets',
  'PUT /api/tablets/:id': 'keep tablets',
  'POST /api/tablets/:id/removed': 'keep tablets',

  'GET /api/tablets': 'report tablets',
  'POST /api/tablets/:id/lost': 'report tablets',

  'PUT /api/business': 'house ways',
  'PUT /api/profile': 'house ways',
  'PUT /api/breeds': 'house ways',
  'POST /api/breeds/reset': 'house ways',

  'GET /api/status': 'see the status',

  'GET /api/audit': 'read the log',

  'PUT /api/rights': 'say rights',

  'GET /api/appointments': EVERYBODY,
  'GET /api/branches': EVERYBODY,
  'GET /api/dogs/:id/slots': EVERYBODY,
  'GET /api/ahead': EVERYBODY,
  'GET /api/appointments/:id/gap': EVERYBODY,
  'GET /api/answers': EVERYBODY,
  'GET /api/hours': EVERYBODY,
  'GET /api/session': EVERYBODY,
  'GET /api/today': EVERYBODY,
  'GET /api/dogs': EVERYBODY,
  'GET /api/dogs/:id': EVERYBODY,
  'GET /api/book': EVERYBODY,
  'POST /api/book/reckon': EVERYBODY,
  'GET /api/vets': EVERYBODY,
  'GET /api/dogs/:id/mix': EVERYBODY,
  'GET /api/rights': EVERYBODY,
  'GET /api/members': EVERYBODY,
  'GET /api/visits/:id': EVERYBODY,
  'GET /api/visits/:id/events': EVERYBODY,
  'GET /api/prefetch': EVERYBODY,
  'GET /api/visits/:id/sheet': EVERYBODY,
  'GET /api/profile': EVERYBODY,
  'GET /api/dogs/:id/links': EVERYBODY,
  'GET /api/clean-downs': EVERYBODY,
  'GET /api/dogs/:id/history': EVERYBODY,
  'GET /api/dogs/:id/home': EVERYBODY,
  'GET /api/dogs/:id/home-bath': EVERYBODY,
  'GET /api/me/calendar': EVERYBODY,
  'PUT /api/me/calendar': EVERYBODY,
  'GET /api/messages': EVERYBODY,
  'GET /api/referrals': EVERYBODY,
  'GET /api/watch': EVERYBODY,
  'GET /api/business': EVERYBODY,
  'PUT /api/me': EVERYBODY,
  'GET /api/me/sessions': EVERYBODY,
  'GET /api/me/pin': EVERYBODY,
  'PUT /api/me/pin': EVERYBODY,
  'POST /api/me/sessions/:id/ended': EVERYBODY,
  'GET /api/first-steps': EVERYBODY,
  'GET /api/photos/:id': EVERYBODY,
  'GET /api/home-photos/:id': EVERYBODY,
  'GET /api/visits/:id/sheet.pdf': EVERYBODY,
  'GET /api/visits/:id/live': EVERYBODY,
  'GET /api/referrals/:id/letter.pdf': EVERYBODY,
  'GET /api/mixes/labels.pdf': EVERYBODY,
  'GET /api/dogs/:id/home-bath/label.pdf': EVERYBODY,
  'GET /api/instructions/:id/letter': EVERYBODY,
  'GET /api/appointments/:id/booking.ics': EVERYBODY,
  'GET /api/dogs/:id/home.ics': EVERYBODY,
  'GET /api/products/:id/ledger': EVERYBODY,
  'GET /api/mixing': EVERYBODY,
  'GET /api/stock': EVERYBODY,
  'GET /api/trace': EVERYBODY,
  'GET /api/trace/starts': EVERYBODY,
  'GET /api/dogs/:id/touched': EVERYBODY,
};

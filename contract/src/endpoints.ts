import { z } from 'zod';
import { AHEAD_ENDPOINTS } from './aheadEndpoints';
import { ownerAnswering } from './answers';
import { auditEntry } from './audit';
import { cleanDownLine } from './cleanDowns';
import { daySchema, id, version } from './basics';
import { ownBreedEdit } from './breeds';
import { businessEdit, businessView } from './business';
import {
  archiving,
  client,
  clientEdit,
  clientView,
  householdEdit,
  mergePreview,
  newClient,
  newMerge,
  newVet,
  vetEdit,
  vetView,
} from './clients';
import { dogEdit, dogListItem, dogView, newDog, newLesson, newProgramme, newWeighing, programmeEdit } from './dogs';
import { eventsTaken, newEvents, visitEvents } from './events';
import { dogFacts } from './facts';
import { alive, health } from './health';
import { entry } from './history';
import { homeBathAgreed, homeBathView, homeCareView, homeMinutes, homeTicking } from './homeCare';
import { importStep, importView, newImport } from './imports';
import { instructionEdit, newInstruction } from './instructions';
import { newOwnerLink, ownerLinkView } from './links';
import { memberView, rightsEdit, rightsView, sessionView } from './members';
import { carrierWord, draftQuery, messageDraft, messageStep, messageView, newMessage } from './messages';
import { MIXING_ENDPOINTS } from './mixingEndpoints';
import { BRANCH_ENDPOINTS } from './branchEndpoints';
import { PEOPLE_ENDPOINTS } from './peopleEndpoints';
import { TABLET_ENDPOINTS } from './tabletEndpoints';
import { homeReminding, newVetLook, ownerPage } from './ownerPage';
import { changed, list, made, nextPage, page } from './plainAnswers';
import { businessProfileEdit, businessProfileView } from './profile';
import { referralEdit, referralView } from './referrals';
import { sheetEditing, sheetView } from './sheets';
import { statusView } from './status';
import { todayView } from './today';
import { mixView, newVisit, prefetchView, visitView } from './visits';
import { watchItem } from './watch';

const which = z.object({ gone: id });

/** Every call of the API: what goes in and what comes out. The server parses with it, the OpenAPI document is made from it. */
export const ENDPOINTS = {
  'GET /api/health': { says: 'Whether the server and its database answer', response: health },
  'GET /api/health/live': { says: 'Whether this process lives', response: alive },
  'GET /api/health/ready': { says: 'Whether this process can answer', response: alive },
  'GET /api/status': { says: 'How the installation is: backups, queues, messages', response: statusView },
  'GET /api/session': { says: 'Who is signed in, and to which business', response: sessionView },
  'GET /api/today': {
    says: "A day's dogs, mixes and cautions",
    query: z.object({ day: daySchema.optional() }),
    response: todayView,
  },
  'GET /api/dogs': { says: 'All dogs with the first thing due', query: nextPage, response: page(dogListItem) },
  'GET /api/dogs/:id': { says: 'One dog: plan, due windows, rhythm, bookings', response: dogView },
  'GET /api/book': {
    says: 'What the plans of dogs depend on, page by page, for trying a house way over the whole book',
    query: z.object({ after: id.optional() }),
    response: z.object({
      items: z.array(dogFacts),
      /** Ask for the next page after this dog; null: that was all. */
      after: id.nullable(),
      of: z.int(),
    }),
  },
  'POST /api/book/reckon': {
    says: 'Work out what is due for a few hundred dogs of a large book; how many are left',
    body: z.strictObject({}),
    response: z.object({ left: z.int() }),
  },
  'GET /api/clients': { says: 'All clients', query: nextPage, response: page(client) },
  'POST /api/clients': { says: 'Add a client', body: newClient, response: made },
  'GET /api/clients/:id': { says: 'One client: card, dogs, household, likely doubles', response: clientView },
  'PUT /api/clients/:id': { says: 'Change a client', body: clientEdit, response: changed },
  'PUT /api/clients/:id/archive': {
    says: 'Archive a client with its dogs, or bring it back',
    body: archiving,
    response: changed,
  },
  'PUT /api/clients/:id/household': {
    says: 'Share a household, or leave it',
    body: householdEdit,
    response: z.object({}),
  },
  'GET /api/clients/:id/merge': {
    says: 'What joining another client into this one would do',
    query: which,
    response: mergePreview,
  },
  'POST /api/clients/:id/merge': { says: 'Join another client into this one', body: newMerge, response: made },
  'GET /api/dogs/:id/merge': {
    says: 'What joining another dog into this one would do',
    query: which,
    response: mergePreview,
  },
  'POST /api/dogs/:id/merge': { says: 'Join another dog into this one', body: newMerge, response: made },
  'POST /api/merges/:id/undo': { says: 'Take a merge back', body: z.strictObject({}), response: made },
  'PUT /api/dogs/:id/archive': { says: 'Archive a dog, or bring it back', body: archiving, response: changed },
  'POST /api/dogs/:id/weighings': { says: 'Weigh a dog', body: newWeighing, response: changed },
  'POST /api/dogs/:id/programme': { says: 'Begin short lessons', body: newProgramme, response: made },
  'POST /api/programmes/:id/lessons': { says: 'Write down how a lesson went', body: newLesson, response: changed },
  'PUT /api/programmes/:id': { says: 'End a programme, or take a lesson back', body: programmeEdit, response: changed },
  'GET /api/vets': { says: 'The vets of the business', response: list(vetView) },
  'POST /api/vets': { says: 'Add a vet', body: newVet, response: made },
  'PUT /api/vets/:id': { says: 'Change a vet, archive it, bring it back', body: vetEdit, response: changed },
  'PUT /api/breeds': { says: 'Add a breed, or see one otherwise', body: ownBreedEdit, response: changed },
  'POST /api/breeds/reset': {
    says: 'Back to the shipped breed',
    body: z.strictObject({ id: z.string().max(60) }),
    response: z.object({}),
  },
  'GET /api/imports': { says: 'Imports, newest first', response: list(importView) },
  'POST /api/imports': { says: 'Import clients and dogs in the background', body: newImport, response: made },
  'GET /api/imports/:id': { says: 'How far an import is', response: importView },
  'PUT /api/imports/:id': { says: 'Cancel an import, or undo it', body: importStep, response: importView },
  'POST /api/dogs': { says: 'Add a dog', body: newDog, response: made },
  'PUT /api/dogs/:id': { says: 'Change a dog', body: dogEdit, response: changed },
  'GET /api/dogs/:id/mix': {
    says: "What this dog's bath takes",
    response: z.object({ mixes: z.array(mixView) }),
  },
  'POST /api/dogs/:id/instructions': {
    says: "Write down a vet's or owner's instruction",
    body: newInstruction,
    response: made,
  },
  'PUT /api/instructions/:id': {
    says: 'End an instruction, or let it hold longer',
    body: instructionEdit,
    response: changed,
  },
  ...AHEAD_ENDPOINTS,
  'GET /api/rights': { says: 'What the house has decided on who may what', response: rightsView },
  'PUT /api/rights': { says: 'Say who may what', body: rightsEdit, response: changed },
  'GET /api/members': { says: 'The people of the business', response: list(memberView) },
  'POST /api/visits': { says: 'Begin a visit', body: newVisit, response: made },
  'GET /api/visits/:id': { says: 'A visit: the dog, its plan and all events', response: visitView },
  'POST /api/visits/:id/events': {
    says: 'Send what happened; may be sent again',
    body: newEvents,
    response: eventsTaken,
  },
  'GET /api/visits/:id/events': { says: 'All that happened so far', response: visitEvents },
  'GET /api/prefetch': {
    says: 'Everything the table needs of today’s and tomorrow’s visits without a network',
    response: prefetchView,
  },
  'GET /api/visits/:id/sheet': { says: 'The owner sheet', response: sheetView },
  'PUT /api/visits/:id/sheet': { says: 'A groomer’s hand on the sheet', body: sheetEditing, response: changed },
  'GET /api/profile': {
    says: 'How the business signs, and what it says in its own words',
    response: businessProfileView,
  },
  'PUT /api/profile': {
    says: 'Change how the business signs and speaks',
    body: businessProfileEdit,
    response: changed,
  },
  'GET /api/dogs/:id/links': { says: 'Private pages of this dog’s owner', response: list(ownerLinkView) },
  'POST /api/links': { says: 'Make a private page for an owner', body: newOwnerLink, response: ownerLinkView },
  'PUT /api/links/:id/revoke': { says: 'Close a private page', body: z.strictObject({}), response: z.object({}) },
  'GET /api/clients/:id/erasure': {
    says: 'What erasing a client would erase and keep',
    response: z.object({
      name: z.string(),
      erases: z.array(z.string()),
      keeps: z.array(z.string()),
      refused: z.string().nullable(),
    }),
  },
  'POST /api/clients/:id/erasure': {
    says: 'Erase a client on their wish, for good',
    body: z.strictObject({ name: z.string().max(200) }),
    response: z.object({}),
  },
  'GET /api/audit': {
    says: 'Who saw, changed, sent, gave away',
    query: z.object({ about: id.optional() }),
    response: list(auditEntry),
  },
  'GET /api/clean-downs': {
    says: 'What was cleaned after each dog of a span of days, newest first',
    query: z.object({ from: daySchema, to: daySchema }),
    response: list(cleanDownLine),
  },
  'GET /api/dogs/:id/history': {
    says: 'Everything on record of one dog, newest first',
    response: z.object({ dog: z.string(), items: z.array(entry) }),
  },
  'GET /api/dogs/:id/home': { says: 'Home care: tasks, days, ticks', response: homeCareView },
  'PUT /api/dogs/:id/home': {
    says: 'Minutes a week that its owner has for care at home',
    body: z.strictObject({ version, minutes: homeMinutes.nullable() }),
    response: changed,
  },
  'GET /api/dogs/:id/home-bath': { says: 'The bath at home: what was agreed, what it takes', response: homeBathView },
  'PUT /api/dogs/:id/home-bath': {
    says: 'What its owner bathes it with at home, and how often; null: no bath at home',
    body: z.strictObject({ version, agreed: homeBathAgreed.nullable() }),
    response: changed,
  },
  'GET /api/me/calendar': {
    says: 'The address of one’s own calendar feed',
    response: z.object({ url: z.string().nullable() }),
  },
  'PUT /api/me/calendar': {
    says: 'Open a calendar feed under a new address, or close it',
    body: z.strictObject({ open: z.boolean() }),
    response: z.object({ url: z.string().nullable() }),
  },
  'GET /api/business/calendar': {
    says: 'The address of the calendar of all bookings',
    response: z.object({ url: z.string().nullable() }),
  },
  'PUT /api/business/calendar': {
    says: 'Open the calendar of all bookings under a new address, or close it',
    body: z.strictObject({ open: z.boolean() }),
    response: z.object({ url: z.string().nullable() }),
  },
  'GET /api/dogs/:id/draft': {
    says: 'What would be written to the owner, and whether it may be sent',
    query: draftQuery,
    response: messageDraft,
  },
  'GET /api/owner': { says: 'An owner’s page, by the secret of its link', response: ownerPage },
  'POST /api/owner/seen': { says: 'The page is in sight', body: z.strictObject({}), response: z.object({}) },
  'PUT /api/owner/reminder': {
    says: 'A word about home care once a week, on which weekday (0 Monday); null: none',
    body: homeReminding,
    response: z.object({}),
  },
  'PUT /api/owner/vet-looks': {
    says: 'When a vet looked last, as the owner tells it',
    body: newVetLook,
    response: z.object({}),
  },
  'PUT /api/owner/answers': {
    says: 'What the owner answers: comes, cannot come, takes a time',
    body: ownerAnswering,
    response: z.object({}),
  },
  'PUT /api/owner/home': {
    says: 'Something was done at home, or not after all',
    body: homeTicking,
    response: z.object({}),
  },
  'GET /api/messages': {
    says: 'Messages to owners, newest first',
    query: z.object({ dog: id.optional() }),
    response: list(messageView),
  },
  'POST /api/messages': { says: 'Write to an owner', body: newMessage, response: made },
  'PUT /api/messages/:id': {
    says: 'Send once more, withdraw, or let the stand-in bounce',
    body: messageStep,
    response: z.object({}),
  },
  'POST /api/message-states': {
    says: 'A carrier says what became of a text message; signed as Standard Webhooks has it',
    body: carrierWord,
    response: z.object({}),
  },
  'GET /api/referrals': {
    says: 'Places a vet should see, open ones and those closed lately',
    query: z.object({ dog: id.optional() }),
    response: list(referralView),
  },
  'PUT /api/referrals/:id': { says: 'Told, answered, closed', body: referralEdit, response: changed },
  'GET /api/watch': { says: 'Findings that want following up', response: list(watchItem) },
  'GET /api/business': { says: 'House ways, products and bottles', response: businessView },
  'PUT /api/me': {
    says: 'How this person reads volumes and weights; null: as the business does',
    body: z.strictObject({ units: z.enum(['metric', 'US']).nullable() }),
    response: z.object({}),
  },
  ...MIXING_ENDPOINTS,
  ...PEOPLE_ENDPOINTS,
  ...BRANCH_ENDPOINTS,
  ...TABLET_ENDPOINTS,
  'PUT /api/business': { says: 'Change the house ways', body: businessEdit, response: changed },
} as const satisfies Record<string, Endpoint>;

export interface Endpoint {
  readonly says: string;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  readonly response: z.ZodType;
}

export type Endpoints = typeof ENDPOINTS;
export type EndpointKey = keyof Endpoints;
export type ResponseOf<K extends EndpointKey> = z.output<Endpoints[K]['response']>;
/** What a caller sends, defaults not yet filled in. */
export type BodyOf<K extends EndpointKey> = Endpoints[K] extends { readonly body: infer B extends z.ZodType }
  ? z.input<B>
  : undefined;
/** What the server works with. */
export type ParsedBodyOf<K extends EndpointKey> = Endpoints[K] extends { readonly body: infer B extends z.ZodType }
  ? z.output<B>
  : undefined;
export type QueryOf<K extends EndpointKey> = Endpoints[K] extends { readonly query: infer Q extends z.ZodType }
  ? z.output<Q>
  : undefined;

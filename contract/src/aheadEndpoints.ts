import { z } from 'zod';
import {
  acceptedAnswer,
  acceptedVisits,
  aheadView,
  foundPrices,
  gapView,
  newSeries,
  seriesMade,
  slotQuery,
  slotsView,
} from './ahead';
import { hoursView, newAbsences, newAway, planningEdit, weekEdit } from './hours';
import { ownerAnswerView } from './answers';
import { appointment, appointmentEdit, newAppointment } from './appointments';
import { daySchema, id, version } from './basics';
import { changed, list, made } from './plainAnswers';
import { roundTaken, roundView, vanWays } from './round';
import { dogNeeds, ownerWishes, skills } from './wishes';

/** Bookings, the weeks ahead, the van's round, and who works when. */
export const AHEAD_ENDPOINTS = {
  'GET /api/appointments': {
    says: 'Bookings of a span of days',
    query: z.object({ from: daySchema, to: daySchema }),
    response: list(appointment),
  },
  'POST /api/appointments': { says: 'Book a visit', body: newAppointment, response: made },
  'PUT /api/appointments/:id': {
    says: 'Move, cancel or restore a booking',
    body: appointmentEdit,
    response: changed,
  },
  'GET /api/dogs/:id/slots': { says: 'The best times for a dog', query: slotQuery, response: slotsView },
  'POST /api/series': { says: 'Book further visits like one', body: newSeries, response: seriesMade },
  'GET /api/ahead': {
    says: 'All that weeks of bookings are planned from',
    query: z.object({ days: z.enum(['14', '28', '56', '84', '182']).optional() }),
    response: aheadView,
  },
  'POST /api/ahead': {
    says: 'Take proposals of a plan, or take them back',
    body: acceptedVisits,
    response: acceptedAnswer,
  },
  'PUT /api/ahead': { says: 'Keep what planning found', body: foundPrices, response: z.object({}) },
  'GET /api/appointments/:id/gap': { says: 'Who gains from the time of a booking', response: gapView },
  'PUT /api/planning': {
    says: 'Say what the salon has and what planning weighs',
    body: planningEdit,
    response: changed,
  },
  'GET /api/round': {
    says: "A person's day as a round of the van",
    query: z.strictObject({ day: z.exactOptional(daySchema), member: z.exactOptional(id) }),
    response: roundView,
  },
  'PUT /api/round': { says: 'Give bookings of a day their times anew', body: roundTaken, response: z.object({}) },
  'PUT /api/van': { says: 'Say how the van works', body: z.strictObject({ version, van: vanWays }), response: changed },
  'GET /api/answers': { says: 'What owners answered and nobody has seen', response: list(ownerAnswerView) },
  'PUT /api/answers/:id': {
    says: 'Say that an answer was seen, or was not',
    body: z.strictObject({ seen: z.boolean() }),
    response: z.object({}),
  },
  'PUT /api/reminders': {
    says: 'Say when owners are reminded of tomorrow by themselves',
    body: z.strictObject({ version, at: z.int().min(0).max(1439).nullable() }),
    response: changed,
  },
  'GET /api/hours': { says: 'When people work and who is away', response: hoursView },
  'PUT /api/members/:id/week': { says: "Change a person's week", body: weekEdit, response: z.object({}) },
  'PUT /api/members/:id/skills': {
    says: 'Say what a person is good at',
    body: z.strictObject({ skills }),
    response: z.object({}),
  },
  'POST /api/away': { says: 'Say that somebody is away, or the business closed', body: newAway, response: made },
  'POST /api/absences': { says: 'The same, several at once', body: newAbsences, response: z.object({}) },
  'POST /api/away/:id/ended': { says: 'Take that back', body: z.strictObject({}), response: z.object({}) },
  'PUT /api/clients/:id/wishes': {
    says: 'When an owner would like to come',
    body: z.strictObject({ version, wishes: ownerWishes }),
    response: changed,
  },
  'PUT /api/dogs/:id/needs': {
    says: 'Where a dog must be in a day',
    body: z.strictObject({ version, needs: dogNeeds }),
    response: changed,
  },
} as const;

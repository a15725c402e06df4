import { z } from 'zod';
import { keptEdit, keptView } from './kept';
import { begun, beginning, firstSteps, forgotten, invitationOpened, joining, knocking } from './joining';
import { changed, list, made } from './plainAnswers';
import {
  handover,
  invitationView,
  leaving,
  newInvitation,
  peopleView,
  personEdit,
  secondFactorEdit,
  sessionLine,
} from './people';

const nothing = z.strictObject({});
const done = z.object({});

/** People of a business, how they come in and go, and where they are signed in. */
export const PEOPLE_ENDPOINTS = {
  'GET /api/people': { says: 'People, their accounts, open invitations', response: peopleView },
  'PUT /api/people/:id': { says: 'Change a person’s name or role', body: personEdit, response: changed },
  'GET /api/people/:id/handover': { says: 'Bookings ahead, and who could take them', response: list(handover) },
  'POST /api/people/:id/left': { says: 'A person leaves; each booking ahead goes on', body: leaving, response: done },
  'POST /api/people/:id/back': { says: 'A person comes back', body: nothing, response: done },
  'POST /api/people/:id/signed-out': {
    says: 'Sign a person out everywhere',
    body: nothing,
    response: z.object({ ended: z.int() }),
  },
  'POST /api/people/:id/second-factor': { says: 'Take a lost second proof away', body: nothing, response: done },
  'PUT /api/second-factor': {
    says: 'Say who shows a second proof at sign-in',
    body: secondFactorEdit,
    response: changed,
  },
  'POST /api/invitations': {
    says: 'Invite somebody, or let them set a new password',
    body: newInvitation,
    response: invitationView,
  },
  'POST /api/invitations/:id/withdrawn': { says: 'Withdraw an invitation', body: nothing, response: done },
  'GET /api/me/sessions': { says: 'Where I am signed in', response: list(sessionLine) },
  'POST /api/me/sessions/:id/ended': { says: 'Sign one of my devices out', body: nothing, response: made },
  'GET /api/first-steps': { says: 'How far a new business is', response: firstSteps },

  'GET /api/kept': { says: 'For how long what is kept, and what would go', response: keptView },
  'PUT /api/kept': { says: 'Say for how long what is kept', body: keptEdit, response: changed },

  'POST /api/join/look': { says: 'Whom an invitation is for', body: knocking, response: invitationOpened },
  'POST /api/join': { says: 'Join by an invitation, or set a new password', body: joining, response: begun },
  'POST /api/forgotten': { says: 'Have a link for a new password sent', body: forgotten, response: done },
  'POST /api/begin/look': { says: 'Whether a first link still opens', body: knocking, response: done },
  'POST /api/begin': { says: 'Begin a business here', body: beginning, response: begun },
} as const;

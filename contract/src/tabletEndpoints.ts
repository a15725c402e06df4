import { z } from 'zod';
import { changed, list, made } from './plainAnswers';
import {
  foundAnswer,
  foundWork,
  heldDecision,
  heldGroup,
  newTablet,
  pinSetting,
  pinView,
  switched,
  switching,
  tabletDoor,
  tabletEdit,
  tabletView,
  ticketShown,
} from './tablets';

const nothing = z.strictObject({});
const done = z.object({});

/** Devices that several people share: how they come to them, and what becomes of a lost one. */
export const TABLET_ENDPOINTS = {
  'GET /api/tablet': { says: 'Whether this device is a shared tablet, and who may come to it', response: tabletDoor },
  'POST /api/tablet/switch': { says: 'Come to a shared tablet by a PIN', body: switching, response: switched },
  'POST /api/tablet/ticket': { says: 'Come to it after a time without a network', body: ticketShown, response: done },
  'POST /api/tablet/lock': { says: 'Leave a shared tablet', body: nothing, response: done },
  'POST /api/tablet/found': { says: 'What a lost tablet had not sent', body: foundWork, response: foundAnswer },

  'GET /api/tablets': { says: 'Shared tablets', response: list(tabletView) },
  'POST /api/tablets': { says: 'Make this device a shared tablet', body: newTablet, response: made },
  'PUT /api/tablets/:id': { says: 'Change a shared tablet', body: tabletEdit, response: changed },
  'POST /api/tablets/:id/lost': { says: 'Report a shared tablet lost', body: nothing, response: done },
  'POST /api/tablets/:id/removed': { says: 'Share a tablet no more', body: nothing, response: done },
  'GET /api/tablets/:id/held': { says: 'What a lost tablet had not sent', response: list(heldGroup) },
  'POST /api/tablets/:id/held': { says: 'Take it in, or not', body: heldDecision, response: done },
  'GET /api/me/pin': { says: 'Whether I have a PIN', response: pinView },
  'PUT /api/me/pin': { says: 'Set my PIN', body: pinSetting, response: done },
  'POST /api/people/:id/pin-removed': { says: 'Take a person’s PIN away', body: nothing, response: done },
} as const;

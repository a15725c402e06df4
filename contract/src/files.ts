/** What goes over the wire and is no JSON: pictures, papers, calendars, tables, and news of a visit. */
export interface FileRoute {
  readonly says: string;
  /** Media types of what is sent or answered. */
  readonly types: readonly string[];
}

const PICTURES = ['image/jpeg', 'image/png', 'image/webp'] as const;
const JPEG = ['image/jpeg'] as const;
const PDF = ['application/pdf'] as const;
const ZIP = ['application/zip'] as const;
const CALENDAR = ['text/calendar'] as const;

export const FILES = {
  'PUT /api/visits/:id/photos/:photo': { says: 'Send a picture of a visit, once', types: PICTURES },
  'GET /api/photos/:id': { says: 'A picture of a visit', types: JPEG },
  'GET /api/home-photos/:id': { says: 'A picture an owner sent', types: JPEG },
  'GET /api/visits/:id/sheet.pdf': { says: 'The owner sheet on paper', types: PDF },
  'GET /api/visits/:id/live': { says: 'Says "new" whenever a visit has something new', types: ['text/event-stream'] },
  'GET /api/referrals/:id/letter.pdf': { says: 'The letter to a vet', types: PDF },
  'GET /api/mixes/labels.pdf': { says: 'Labels for bottles, 62 mm wide; ?ids= of the mixes', types: PDF },
  'GET /api/dogs/:id/home-bath/label.pdf': { says: 'The label of a small bottle for its owner', types: PDF },
  'GET /api/dogs/:id/record.:form': {
    says: 'Everything on record of one dog: record.pdf or record.json',
    types: [...PDF, 'application/json'],
  },
  'PUT /api/instructions/:id/letter': { says: 'The letter behind an instruction', types: [...PICTURES, ...PDF] },
  'GET /api/instructions/:id/letter': { says: 'The letter behind an instruction', types: [...JPEG, ...PDF] },
  'DELETE /api/instructions/:id/letter': { says: 'Take the letter away', types: ['application/json'] },
  'GET /api/export/:file': { says: 'The book as plain tables', types: ['text/csv', 'text/vcard'] },
  'GET /api/house/all.zip': { says: 'The whole business, for another installation to take in', types: ZIP },
  'GET /api/clients/:id/record.zip': { says: 'All that is on record of one client and their dogs', types: ZIP },
  'GET /api/calendars/:token': { says: 'A calendar to subscribe to; its address is its key', types: CALENDAR },
  'GET /api/appointments/:id/booking.ics': { says: 'One booking as a calendar', types: CALENDAR },
  'GET /api/dogs/:id/home.ics': { says: 'Home care of a dog as a calendar', types: CALENDAR },
  'PUT /api/owner/home/photos/:id': { says: 'An owner sends a picture', types: PICTURES },
  'GET /api/owner/home/photos/:id': { says: 'A picture the owner sent', types: JPEG },
  'GET /api/owner/photos/:id': { says: 'A picture the owner may see', types: JPEG },
  'GET /api/owner/sheets/:id': { says: 'A sheet on paper, for its owner', types: PDF },
  'GET /api/owner/letters/:id': { says: 'A letter to a vet, for its owner', types: PDF },
} as const satisfies Readonly<Record<string, FileRoute>>;

import type { MessageView } from '@dewpond/contract';
import { finding } from '@dewpond/core/findings';
import type { Happening } from '@dewpond/core/events';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import request from 'supertest';
import { v7 } from 'uuid';
import { expect } from 'vitest';
import { addDog, app, guest, type Salon } from './salon';

const on = '2026-11-02';

export const musty = (grade: 1 | 2 | 3 = 2, side: 'left' | 'right' = 'left'): Happening => ({
  type: 'found',
  finding: finding({ site: 'ear', side }, 'ear musty smell', grade),
});

/** A dog whose owner may be written to by both channels, or by what is given. */
export async function reachable(
  salon: Salon,
  consents: object = { 'e-mail': { yes: true, on }, 'text message': { yes: true, on }, photos: { yes: true, on } },
) {
  const { dogId, clientId } = await addDog(salon, { name: 'Teasel' });
  const { body: view } = await salon.call('GET /api/clients/:id', { id: clientId });
  const { version, name } = view.client;
  const card = {
    ...view.client.card,
    emails: ['folake@thornmere.example'],
    phones: [{ number: '01632 960114', whose: '' }],
    consents,
  };
  const { status, body } = await salon.call('PUT /api/clients/:id', { id: clientId, body: { version, name, card } });
  expect([status, body]).toMatchObject([200, {}]);
  return { dogId, clientId };
}
export const write = (salon: Salon, dogId: string, more: object = {}) =>
  salon.call('POST /api/messages', {
    body: {
      id: v7(),
      dogId,
      visitId: null,
      kind: 'nearly ready',
      channel: 'e-mail',
      subject: 'Teasel is nearly ready',
      words: 'Teasel will be ready around 15:30.',
      ...more,
    },
  });
export const outbox = async (salon: Salon, id: string): Promise<MessageView> => {
  const { body } = await salon.call('GET /api/messages');
  const found = body.items.find((each) => each.id === id);
  if (!found) throw new Error('not in the outbox');
  return found;
};

/** The first page of a PDF as text, and what it says of itself. */
export async function textOf(bytes: Buffer): Promise<{ text: string; pages: number; title: string; language: string }> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false }).promise;
  const { info } = (await pdf.getMetadata()) as unknown as { info: { Title: string; Language: string } };
  const items = (await (await pdf.getPage(1)).getTextContent()).items;
  const text = items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
    .replaceAll(/\s+/g, ' ');
  return { text, pages: pdf.numPages, title: info.Title, language: info.Language };
}

/** A picture of today, through the owner's private page. */
export async function sendFromHome(own: Salon, dogId: string): Promise<string> {
  const { body: link } = await own.call('POST /api/links', { body: { id: v7(), dogId, days: 30 } });
  const bytes = await sharp({ create: { width: 320, height: 240, channels: 3, background: '#446622' } })
    .jpeg()
    .toBuffer();
  const id = v7();
  const sent = await request(app)
    .put(`/api/owner/home/photos/${id}`)
    .set(guest(link.url.split('#')[1] ?? ''))
    .type('image/jpeg')
    .send(bytes);
  expect(sent.status).toBe(200);
  return id;
}

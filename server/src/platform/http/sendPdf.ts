import type { Response } from 'express';

/** A PDF to look at in the browser, under a name a person can file it by. */
export function sendPdf(response: Response, { name, bytes }: { readonly name: string; readonly bytes: Buffer }): void {
  response
    .type('application/pdf')
    .set('Cache-Control', 'private, no-store')
    .set(
      'Content-Disposition',
      `inline; filename="${name.replaceAll(/[^\w-]+/g, '-')}.pdf"; filename*=UTF-8''${encodeURIComponent(`${name}.pdf`)}`,
    )
    .send(bytes);
}

import type { MessageChannel, Outcome } from '@dewpond/core/messages';
import { Readable } from 'node:stream';
import { createTransport } from 'nodemailer';
import type { Config } from '../config/config';
import type { Carrier } from './carrier';
import { asHtml } from './html';
import { httpCarrier } from './httpCarrier';

export type Post = Readonly<Record<MessageChannel, Carrier>>;

/** Takes everything and sends nothing: what would have gone out is what the outbox shows. */
const STAND_IN: Carrier = {
  via: 'stand-in',
  deliver: () => Promise.resolve({ kind: 'sent', word: 'Taken by the stand-in. Nothing left this machine.' }),
};

type PostConfig = Pick<Config, 'SMTP_URL' | 'MAIL_FROM' | 'TEXT_URL' | 'TEXT_BODY' | 'TEXT_SECRET'>;

/** E-mail by SMTP, text messages by HTTP, each where something is configured for it; else the stand-in. */
export const openPost = ({ SMTP_URL, MAIL_FROM, TEXT_URL, TEXT_BODY, TEXT_SECRET }: PostConfig): Post => ({
  'e-mail': SMTP_URL === '' ? STAND_IN : smtpCarrier(SMTP_URL, MAIL_FROM),
  'text message': TEXT_URL === '' ? STAND_IN : httpCarrier({ url: TEXT_URL, template: TEXT_BODY, secret: TEXT_SECRET }),
});

const PATIENCE_MS = 20_000;

export function smtpCarrier(url: string, sender: string): Carrier {
  const transport = createTransport({
    url,
    connectionTimeout: PATIENCE_MS,
    greetingTimeout: PATIENCE_MS,
    socketTimeout: PATIENCE_MS,
  });
  const domain = sender.split('@').at(-1) ?? 'localhost';
  return {
    via: 'smtp',
    deliver: async ({ id, to, from, subject, words, language, attached }) => {
      // What goes last is read to its end only when all of it is on its way: from then on no answer is no "no".
      const last = Readable.from([attached.at(-1)?.bytes ?? Buffer.from(asHtml(words, language))], {
        objectMode: false,
      });
      let handedOver = false;
      last.once('end', () => (handedOver = true));
      const parts = attached.map(({ name, bytes }, i) => ({
        filename: `${name}.pdf`,
        content: i === attached.length - 1 ? last : bytes,
        contentType: 'application/pdf',
      }));
      try {
        const { response } = await transport.sendMail({
          messageId: `<${id}@${domain}>`,
          from: { name: from.name, address: sender },
          ...(from.replyTo === '' ? {} : { replyTo: from.replyTo }),
          to,
          subject,
          text: words,
          html: parts.length > 0 ? asHtml(words, language) : last,
          headers: { 'Auto-Submitted': 'auto-generated' },
          attachments: parts,
        });
        return { kind: 'sent', word: response };
      } catch (error) {
        return whatWentWrong(error, handedOver);
      }
    },
  };
}

/**
 * 5xx is a no that stays a no (RFC 5321 §4.2.1); everything else may go better later, unless all of it was handed over
 * and the line fell silent: then it may have arrived, and only a person sends it once more (RFC 5321 §4.5.3.2.6).
 */
function whatWentWrong(error: unknown, handedOver: boolean): Outcome {
  const { responseCode, message } = error as { responseCode?: number; message?: string };
  const word = (message ?? 'Not sent.').slice(0, 300);
  if (responseCode === undefined && handedOver) return { kind: 'unsure', word: `${word}. It may have arrived.` };
  return responseCode !== undefined && responseCode >= 500 ? { kind: 'refused', word } : { kind: 'trouble', word };
}

import type { Outcome } from '@dewpond/core/messages';
import type { Carrier, OutgoingMail } from './carrier';

interface HttpCarrying {
  readonly url: string;
  /** JSON; `{to}`, `{words}`, `{from}`, `{id}` and `{ref}` stand in its strings. */
  readonly template: string;
  /** Sent as a bearer token; empty: nothing is sent. */
  readonly secret: string;
  readonly patienceMs?: number;
}

const PATIENCE_MS = 20_000;
/** Of what the other side says, so much is read. */
const HEARD = 300;

/** Text messages by one POST each, to whatever carries them: its address, its JSON, its secret are settings. */
export function httpCarrier({ url, template, secret, patienceMs = PATIENCE_MS }: HttpCarrying): Carrier {
  const shape: unknown = JSON.parse(template);
  return {
    via: 'http',
    deliver: async (mail) => {
      try {
        const answer = await fetch(url, {
          method: 'POST',
          headers: {
            'content-type': 'application/json',
            // RFC draft "Idempotency-Key": a carrier that knows it sends what comes twice once.
            'idempotency-key': mail.id,
            ...(secret === '' ? {} : { authorization: `Bearer ${secret}` }),
          },
          body: JSON.stringify(filled(shape, mail)),
          // A number is sent to the address that was set, and to no other.
          redirect: 'manual',
          signal: AbortSignal.timeout(patienceMs),
        });
        const said = await heard(answer);
        return outcomeOf(answer.status, said);
      } catch (error) {
        return whatWentWrong(error);
      }
    },
  };
}

/** The template with its slots filled, string by string: no word of a person can change its shape. */
function filled(shape: unknown, mail: OutgoingMail): unknown {
  if (typeof shape === 'string') {
    const { to, words, id, ref } = mail;
    const slots: Readonly<Record<string, string>> = { to, words, id, ref, from: mail.from.name };
    return shape.replace(/\{(to|words|from|id|ref)\}/g, (_, name: string) => slots[name] ?? '');
  }
  if (Array.isArray(shape)) return shape.map((each) => filled(each, mail));
  if (shape === null || typeof shape !== 'object') return shape;
  return Object.fromEntries(Object.entries(shape).map(([key, value]) => [key, filled(value, mail)]));
}

/** The first of what was answered, and no more is fetched; an answer that breaks off was still one. */
async function heard(answer: Response): Promise<string> {
  const reader = answer.body?.getReader();
  const decoder = new TextDecoder();
  let text = '';
  while (reader && text.length < HEARD) {
    const piece = await reader.read().catch(() => null);
    if (!piece?.value) break;
    text += decoder.decode(piece.value, { stream: true });
  }
  await reader?.cancel().catch(() => undefined);
  return text.replace(/\s+/g, ' ').slice(0, HEARD);
}

/** Worth another try (RFC 9110 §15, RFC 6585 §4): asked too much, too slow, or its own fault. */
const LATER: ReadonlySet<number> = new Set([408, 425, 429]);

function outcomeOf(status: number, said: string): Outcome {
  const word = said === '' ? `Answered ${status}.` : `Answered ${status}: ${said}`;
  if (status >= 200 && status < 300) return { kind: 'sent', word };
  return status >= 500 || LATER.has(status) ? { kind: 'trouble', word } : { kind: 'refused', word };
}

/** Nobody was reached: later. Reached, and then silence: it may have gone out, and only a person sends it once more. */
function whatWentWrong(error: unknown): Outcome {
  const { name, cause } = error as { name?: string; cause?: { code?: string; message?: string } };
  const word = (cause?.message ?? (error instanceof Error ? error.message : 'Not sent.')).slice(0, HEARD);
  const isUnreached = UNREACHED.has(cause?.code ?? '');
  return name === 'TimeoutError' || !isUnreached
    ? { kind: 'unsure', word: `${word}. It may have gone out.` }
    : { kind: 'trouble', word };
}
const UNREACHED: ReadonlySet<string> = new Set([
  ...['ECONNREFUSED', 'ENOTFOUND', 'EAI_AGAIN', 'EHOSTUNREACH', 'ENETUNREACH'],
  ...['UND_ERR_CONNECT_TIMEOUT', 'CERT_HAS_EXPIRED', 'DEPTH_ZERO_SELF_SIGNED_CERT', 'ERR_TLS_CERT_ALTNAME_INVALID'],
]);

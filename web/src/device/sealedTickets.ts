import { PIN_TRIES } from '@dewpond/core/rights';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/**
 * What lets a person in on this tablet without a network, sealed with their PIN and with a key that this browser gives to
 * nobody: neither the PIN nor a copy of the disk alone opens it. After five wrong tries, one after the other, it is gone.
 */
export interface SealedTickets {
  /** Begins with what takes long, while the server is asked; what is handed to the function it gives is sealed. */
  sealer(memberId: string, pin: string): (content: string) => Promise<void>;
  open(memberId: string, pin: string): Promise<Unsealed>;
  forget(): Promise<void>;
}
export type Unsealed =
  | { readonly kind: 'open'; readonly content: string }
  | { readonly kind: 'wrong'; readonly left: number }
  /** Never sealed here, or gone. */
  | { readonly kind: 'none' };

interface SealedRow {
  readonly memberId: string;
  readonly salt: Uint8Array<ArrayBuffer>;
  readonly inner: Uint8Array<ArrayBuffer>;
  readonly outer: Uint8Array<ArrayBuffer>;
  readonly data: ArrayBuffer;
  /** Wrong tries since the last right one. */
  readonly wrong: number;
}
interface TicketTables extends DBSchema {
  keys: { key: string; value: CryptoKey };
  tickets: { key: string; value: SealedRow };
}

/** As the OWASP cheat sheet on passwords asks of PBKDF2 with SHA-256 (from memory). */
const ROUNDS = 600_000;

export function sealedTickets(name = 'dewpond-tablet'): SealedTickets {
  let opened: Promise<IDBPDatabase<TicketTables>> | undefined;
  const database = () =>
    (opened ??= openDB<TicketTables>(name, 1, {
      upgrade: (tables) => {
        tables.createObjectStore('keys');
        tables.createObjectStore('tickets', { keyPath: 'memberId' });
      },
    }));

  /** Made once, and not to be read by any page: only to be used. */
  async function deviceKey(): Promise<CryptoKey> {
    const known = await (await database()).get('keys', 'device');
    if (known) return known;
    const made = await crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt']);
    await (await database()).put('keys', made, 'device');
    return made;
  }

  /** Takes one try before the PIN is looked at, in one step: windows that try at once share the five. */
  async function takeTry(memberId: string): Promise<SealedRow | null> {
    const change = (await database()).transaction('tickets', 'readwrite');
    const row = await change.store.get(memberId);
    const next = row && { ...row, wrong: row.wrong + 1 };
    if (next) await change.store.put(next);
    await change.done;
    return next ?? null;
  }

  return {
    sealer(memberId, pin) {
      const [salt, inner, outer] = [random(16), random(12), random(12)];
      const key = keyOf(pin, salt);
      key.catch(() => undefined);
      return async (content) => {
        const bytes = new TextEncoder().encode(content);
        const withPin = await crypto.subtle.encrypt({ name: 'AES-GCM', iv: inner }, await key, bytes);
        const data = await crypto.subtle.encrypt({ name: 'AES-GCM', iv: outer }, await deviceKey(), withPin);
        await (await database()).put('tickets', { memberId, salt, inner, outer, data, wrong: 0 });
      };
    },

    async open(memberId, pin) {
      const row = await takeTry(memberId);
      if (!row) return { kind: 'none' };
      const { salt, inner, outer, data, wrong } = row;
      try {
        const withPin = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: outer }, await deviceKey(), data);
        const bytes = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: inner }, await keyOf(pin, salt), withPin);
        await (await database()).put('tickets', { ...row, wrong: 0 });
        return { kind: 'open', content: new TextDecoder().decode(bytes) };
      } catch {
        if (wrong >= PIN_TRIES) await (await database()).delete('tickets', memberId);
        return { kind: 'wrong', left: Math.max(0, PIN_TRIES - wrong) };
      }
    },

    async forget() {
      await (await database()).clear('tickets');
    },
  };
}

const random = (bytes: number): Uint8Array<ArrayBuffer> => crypto.getRandomValues(new Uint8Array(bytes));

async function keyOf(pin: string, salt: Uint8Array<ArrayBuffer>): Promise<CryptoKey> {
  const typed = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveKey']);
  return crypto.subtle.deriveKey(
    { name: 'PBKDF2', hash: 'SHA-256', salt, iterations: ROUNDS },
    typed,
    { name: 'AES-GCM', length: 256 },
    false,
    ['encrypt', 'decrypt'],
  );
}

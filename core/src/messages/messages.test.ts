import { describe, expect, test } from 'vitest';
import { EMPTY_CARD, type ClientCard } from '../clients';
import { fillIn, notOurs, slotsOf } from '../wording';
import { day } from '../units';
import {
  CARRIER_WORDS,
  MESSAGE_KINDS,
  TEMPLATES,
  afterCarrier,
  afterTry,
  channelFor,
  mayTryAgain,
  reachOf,
  withoutPhone,
  type Outcome,
} from '.';

const on = day('2026-11-02');
const card = (more: Partial<ClientCard>): ClientCard => ({
  ...EMPTY_CARD,
  phones: [{ number: '01632 960114', whose: '' }],
  emails: ['folake@thornmere.example'],
  ...more,
});
const yes = { yes: true, on };
const no = { yes: false, on };

describe('nothing is sent by a channel that was not agreed to', () => {
  test.each([
    ['no word at all', card({}), null],
    ['only e-mail agreed', card({ consents: { 'e-mail': yes } }), 'e-mail'],
    [
      'text refused, e-mail agreed, text preferred',
      card({ prefers: 'text message', consents: { 'e-mail': yes, 'text message': no } }),
      'e-mail',
    ],
    [
      'both agreed, text preferred',
      card({ prefers: 'text message', consents: { 'e-mail': yes, 'text message': yes } }),
      'text message',
    ],
    ['agreed, but no address', card({ emails: [], consents: { 'e-mail': yes } }), null],
  ] as const)('%s', (_, its, channel) => {
    expect(channelFor(its)?.channel ?? null).toBe(channel);
  });

  test('and why not is said', () => {
    expect(
      reachOf(card({ phones: [], consents: { 'text message': yes, 'e-mail': no } })).map(({ whyNot }) => whyNot),
    ).toEqual(['The owner wants no e-mails.', 'No number.']);
    expect(reachOf(card({}))[0]?.whyNot).toMatch(/Nobody has asked yet/);
  });
});

describe('after a try', () => {
  const trouble: Outcome = { kind: 'trouble', word: 'Connection refused' };
  test('trouble is tried again, later each time, and not for ever', () => {
    const waits = [1, 2, 3, 4, 5, 6].map((tries) => afterTry(trouble, tries).againIn);
    expect(waits.slice(0, -1)).toEqual([1, 5, 15, 60, 240]);
    expect(waits.at(-1)).toBeNull();
    expect(afterTry(trouble, 6)).toMatchObject({ state: 'failed', lastWord: 'Connection refused' });
  });
  test('a refusal is final at once; what was sent is never sent by itself again', () => {
    expect(afterTry({ kind: 'refused', word: '550 no such box' }, 1)).toMatchObject({ state: 'failed', againIn: null });
    expect(afterTry({ kind: 'sent', word: '250 ok' }, 1)).toMatchObject({ state: 'sent', againIn: null });
    expect(afterTry({ kind: 'unsure', word: 'silence' }, 1)).toMatchObject({ state: 'unsure', againIn: null });
    expect((['waiting', 'sending', 'sent', 'withdrawn'] as const).some(mayTryAgain)).toBe(false);
  });
});

test.each(MESSAGE_KINDS)('“%s” has its words, no illness, no dose, and a subject without a link', (kind) => {
  const { subject, words } = TEMPLATES[kind];
  const typical = Object.fromEntries(slotsOf(subject + words).map((slot) => [slot, 'Teasel']));
  expect(notOurs(fillIn(words, typical))).toBeNull();
  expect(subject).not.toContain('{link}');
  expect(words).toContain('{business}');
  // A business without a number: no sign is left that leads nowhere.
  const bare = fillIn(withoutPhone(words), typical);
  expect(bare).not.toMatch(/[,:]\s*(?:$|[.,:])|\s[.,:]|\s{2}/);
  expect(bare.split('Teasel').length).toBe(
    fillIn(words, typical).split('Teasel').length - words.split('{phone}').length + 1,
  );
});

describe('what a carrier says later', () => {
  const states = ['waiting', 'sending', 'sent', 'failed', 'bounced', 'withdrawn', 'unsure'] as const;
  test('moves only what was sent, or perhaps sent, and has not arrived', () => {
    for (const state of states)
      for (const said of CARRIER_WORDS) {
        const moved = state === 'sent' || state === 'unsure';
        const becomes = said === 'delivered' ? { state: 'sent', arrived: true } : { state: 'bounced', arrived: false };
        expect(afterCarrier({ state, arrived: false }, said)).toEqual(moved ? becomes : null);
        expect(afterCarrier({ state, arrived: true }, said)).toBeNull();
      }
  });

  test('said twice is as said once, in whatever order words come', () => {
    for (const first of CARRIER_WORDS)
      for (const second of CARRIER_WORDS) {
        const once = afterCarrier({ state: 'sent', arrived: false }, first);
        expect(once && afterCarrier(once, second)).toBeNull();
      }
  });
});

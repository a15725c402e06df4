import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { finding } from '../findings';
import type { Place } from '../places';
import { elapsedSeconds, foldVisit } from '.';
import { mergeEvents, pageOfDevice, saw, seenBy, typed, type Happening, type VisitEvent } from '../events';
import { anyCrew } from './tests/randomVisits';

const RUNS = { numRuns: process.env['DEWPOND_DEEP'] ? 5000 : 500 };
const LEFT_EAR: Place = { site: 'ear', side: 'left' };
const LEFT_SIDE: Place = { site: 'side', side: 'left' };

let made = 0;
/** One device at the dog, which writes with what it has seen of the others. */
function device(name: string) {
  let known: VisitEvent[] = [];
  return {
    marks(...happenings: Happening[]) {
      for (const what of happenings) {
        const counter = Math.max(0, ...known.map((event) => event.counter)) + 1;
        const id = `${name}-${String((made += 1)).padStart(4, '0')}`;
        const seen = seenBy(name, known);
        known.push({ id, v: 2, counter, device: name, person: name, at: made, offset: 0, seen, what });
      }
    },
    hears(other: { readonly known: () => readonly VisitEvent[] }) {
      known = mergeEvents(known, other.known());
    },
    known: () => known as readonly VisitEvent[],
  };
}
const pair = () => [device('bather'), device('groomer')] as const;
const together = (...devices: { readonly known: () => readonly VisitEvent[] }[]) =>
  foldVisit(mergeEvents(...devices.map((each) => each.known())));

describe('two pages of one browser at one dog', () => {
  test('"clear" on the one does not take back what the other has just found', () => {
    const [one, other] = [device(pageOfDevice('tablet', 'a')), device(pageOfDevice('tablet', 'b'))];
    one.marks({ type: 'found', finding: finding(LEFT_EAR, 'ear yellow wax', 2) });
    other.marks({ type: 'looked clear', place: LEFT_EAR });
    expect(together(one, other).findings).toHaveLength(1);
    expect(together(one, other).clashes).toHaveLength(1);
    // Once it has heard of it, it may.
    other.hears(one);
    other.marks({ type: 'taken back', place: LEFT_EAR, sign: 'ear yellow wax' });
    expect(together(one, other).findings).toEqual([]);
  });

  test('share a clock: a timer begun on the one is read on the other, though the clock was never measured', () => {
    const event = { id: 'x', v: 3, counter: 1, person: 'p', at: 1000, offset: null, seen: {} };
    const started = { ...event, device: pageOfDevice('tablet', 'a'), what: { type: 'opened' } } as VisitEvent;
    const timer = { timer: 'contact', step: 's', seconds: 300, most: null, started, stopped: null };
    const read = (name: string) => elapsedSeconds(timer, { device: name, at: 61_000, offset: null });
    expect([read(pageOfDevice('tablet', 'b')), read('tablet'), read('phone')]).toEqual([60, 60, null]);
  });
});

describe('a crew at one dog', () => {
  test('whatever was heard in whatever order, all who know the same events read the same visit', () => {
    fc.assert(
      fc.property(anyCrew, fc.infiniteStream(fc.nat()), ({ known, all }, noise) => {
        const shuffled = all
          .map((event) => ({ event, key: noise.next().value ?? 0 }))
          .toSorted((a, b) => a.key - b.key)
          .map(({ event }) => event);
        expect(foldVisit(shuffled)).toEqual(foldVisit(mergeEvents(...known)));
      }),
      RUNS,
    );
  });

  test('"saw" is an order: nobody saw an event that had seen theirs', () => {
    fc.assert(
      fc.property(anyCrew, ({ all }) => {
        for (const a of all) for (const b of all) if (a.id !== b.id && saw(a, b)) expect(saw(b, a)).toBe(false);
      }),
      { numRuns: 200 },
    );
  });

  test('nothing a device found is lost by another that had not seen it', () => {
    fc.assert(
      fc.property(anyCrew, ({ all }) => {
        const { findings } = foldVisit(all);
        for (const event of all) {
          if (event.what.type !== 'found') continue;
          const { place, sign } = event.what.finding;
          const spokenTo = all.some(
            ({ what, ...other }) =>
              saw({ ...other, what }, event) &&
              ((what.type === 'looked clear' && samePlace(what.place, place)) ||
                (what.type === 'taken back' && samePlace(what.place, place) && what.sign === sign)),
          );
          if (!spokenTo) expect(findings.some((each) => each.sign === sign && samePlace(each.place, place))).toBe(true);
        }
      }),
      RUNS,
    );
  });
});

const samePlace = (a: Place, b: Place) => a.site === b.site && a.side === b.side;

describe('marks that contradict each other', () => {
  test('one says clear, the other red, apart: the finding holds, both are shown, and a look settles it', () => {
    const [bather, groomer] = pair();
    bather.marks({ type: 'opened' });
    groomer.hears(bather);
    bather.marks({ type: 'found', finding: finding(LEFT_EAR, 'ear redness', 2) });
    groomer.marks({ type: 'looked clear', place: LEFT_EAR });
    const seen = together(bather, groomer);
    expect(seen.findings).toHaveLength(1);
    expect(seen.lookedClear).toEqual([]);
    expect(seen.clashes).toMatchObject([{ about: 'place ear/left' }]);
    expect(seen.clashes[0]?.marks).toHaveLength(2);

    groomer.hears(bather);
    groomer.marks({ type: 'looked clear', place: LEFT_EAR });
    const settled = together(bather, groomer);
    expect(settled.findings).toEqual([]);
    expect(settled.lookedClear).toEqual(['ear/left']);
    expect(settled.clashes).toEqual([]);
  });

  test('two grades of one sign, apart: the worse holds', () => {
    for (const [first, second] of [
      [1, 3],
      [3, 1],
    ] as const) {
      const [bather, groomer] = pair();
      bather.marks({ type: 'found', finding: finding(LEFT_EAR, 'ear redness', first) });
      groomer.marks({ type: 'found', finding: finding(LEFT_EAR, 'ear redness', second) });
      const seen = together(bather, groomer);
      expect(seen.findings).toMatchObject([{ grade: 3 }]);
      expect(seen.clashes).toHaveLength(1);
    }
  });

  test('two signs at one place add up and do not clash; nor does the same thing marked twice', () => {
    const [bather, groomer] = pair();
    bather.marks({ type: 'found', finding: finding(LEFT_SIDE, 'tangles', 1) }, { type: 'step done', step: 'nails' });
    groomer.marks({ type: 'found', finding: finding(LEFT_SIDE, 'lump new', 1) }, { type: 'step done', step: 'nails' });
    const seen = together(bather, groomer);
    expect(seen.findings).toHaveLength(2);
    expect(seen.clashes).toEqual([]);
  });

  test('who changes their own mind, or that of someone they had heard, contradicts nobody', () => {
    const [bather, groomer] = pair();
    bather.marks({ type: 'looked clear', place: LEFT_EAR });
    groomer.hears(bather);
    groomer.marks({ type: 'found', finding: finding(LEFT_EAR, 'ear damp', 1) });
    bather.marks(
      { type: 'step done', step: 'nails' },
      { type: 'step skipped', step: 'nails', because: typed('too tired') },
    );
    expect(together(bather, groomer).clashes).toEqual([]);
  });

  test('done here, skipped there: shown to be settled', () => {
    const [bather, groomer] = pair();
    bather.marks({ type: 'step done', step: 'nails' });
    groomer.marks({ type: 'step skipped', step: 'nails', because: typed('not today') });
    expect(together(bather, groomer).clashes).toMatchObject([{ about: 'step nails' }]);
  });
});

describe('work after the close', () => {
  test('of a device that had not seen it came in later, whatever its counter; before it, it did not', () => {
    const [bather, groomer] = pair();
    bather.marks({ type: 'opened' }, { type: 'looked clear', place: LEFT_EAR });
    groomer.marks({ type: 'noted', text: 'from the van' });
    bather.marks({ type: 'closed', how: 'finished' });
    const [late] = groomer.known();
    expect(together(bather, groomer).cameInLater).toEqual([late?.id]);
    bather.hears(groomer);
    expect(foldVisit(bather.known()).closed).toBe('finished');
  });

  test('events of the version before are read as they always were: by their order', () => {
    const old = (counter: number, name: string, what: Happening): VisitEvent => ({
      id: `${name}${counter}`,
      v: 1,
      counter,
      device: name,
      person: 'p',
      at: counter,
      offset: 0,
      seen: null,
      what,
    });
    const state = foldVisit([
      old(1, 'a', { type: 'opened' }),
      old(2, 'a', { type: 'closed', how: 'finished' }),
      old(3, 'b', { type: 'noted', text: 'later' }),
      old(1, 'b', { type: 'noted', text: 'earlier' }),
    ]);
    expect(state.cameInLater).toEqual(['b3']);
    expect(state.clashes).toEqual([]);
  });
});

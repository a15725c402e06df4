import type { MixingView } from '@dewpond/contract';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { batch, mixingView, madeMix } from '../../../tests/demoMixing';
import { DOG_ID, business, session } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { MorningScreen } from './MorningScreen';
import { choose } from '../../../tests/choose';

function openMorning(view: Partial<MixingView> = {}) {
  let bench = mixingView({ serverNow: Date.now(), ...view });
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => business(),
    'GET /api/mixing': () => bench,
    'POST /api/mixes': ({ body }) => {
      bench = { ...bench, batches: [], openMixes: [fresh({ id: body.id })] };
      return { id: body.id, no: 1 };
    },
    'PUT /api/mixes/:id': ({ body }) => {
      bench = { ...bench, openMixes: [] };
      return { version: body.version + 1 };
    },
  });
  return { server, ...show(<MorningScreen />) };
}
const HOUR = 3_600_000;
const fresh = (more: Parameters<typeof madeMix>[0] = {}) =>
  madeMix({ discardAt: new Date(Date.now() + 8 * HOUR).toISOString(), ...more });
const section = (name: string) => screen.getByRole('region', { name });

describe('the morning mix', () => {
  test('what is measured early and what is watered late stand apart', async () => {
    openMorning({ openMixes: [fresh()], batches: [batch({ openMixes: [] })] });
    await screen.findByRole('heading', { name: /1\. Early/ });
    expect(section('Measure early')).toHaveWords(
      /Half-litre bottle.*4 strokes.*of 5 ml, 20 ml of product.*Radish 400 ml/,
    );
    expect(section('Warm water, late')).toHaveWords(/water to 500 ml/);
    expect(section('Measure early')).not.toHaveWords(/water to 500 ml.*Water is in/);
  });

  test('ticked: the mix is on the bench, and a slip is taken back', async () => {
    const { person, server } = openMorning();
    await person.click(await screen.findByRole('button', { name: 'Product is in' }));
    expect(server.sent[0]).toMatchObject([
      'POST /api/mixes',
      { waterParts: '24', strokes: 4, productMl: 20, totalMl: 500, forDogId: null, lotIds: [] },
    ]);
    expect(await screen.findByRole('button', { name: 'Water is in' })).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(server.sent.at(-1)).toMatchObject(['PUT /api/mixes/:id', { step: 'taken back' }]));
  });

  test('what is for one dog says so, and carries its dog', async () => {
    const { person, server } = openMorning({ batches: [batch({ forDog: { id: DOG_ID, name: 'Radish' } })] });
    expect(await screen.findByText('only for Radish')).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Product is in' }));
    expect(server.sent[0]?.[1]).toMatchObject({ forDogId: DOG_ID });
  });

  test('two open lots: nothing is ticked before one is named; an expired one is not offered', async () => {
    const lot = (number: string, more = {}) => ({
      id: v7(),
      number,
      expires: null,
      expired: false,
      open: true,
      ...more,
    });
    const lots = [lot('A-1'), lot('A-2'), lot('Old', { expired: true, expires: '2026-01-01' })];
    const { person, server } = openMorning({ batches: [batch({ lots })] });
    expect(await screen.findByText('Say first from which lot.')).toBeTruthy();
    expect(screen.queryByRole('option', { name: /Old/ })).toBeNull();
    await choose(person, screen.getByLabelText(/From which lot/), 'A-2');
    await person.click(screen.getByRole('button', { name: 'Product is in' }));
    expect(server.sent[0]?.[1]).toMatchObject({ lotIds: [lots[1]?.id] });
  });

  test('past its time: struck out, and the only thing to do is pour it away; the waste is told', async () => {
    const past = madeMix({ discardAt: '2026-11-20T00:00:00Z', leftMl: 180, wateredAt: '2026-11-19T09:00:00Z' });
    const { person, server } = openMorning({ batches: [], openMixes: [past] });
    const region = await screen.findByRole('region', { name: 'Past their time' });
    const buttons = within(region).getAllByRole('button');
    expect(buttons.map((each) => each.getAttribute('aria-label') ?? each.textContent)).toEqual([
      'Where this comes from',
      'Pour away',
    ]);
    expect(region.querySelector('.line-through')).toHaveWords(/Half-litre bottle 1/);
    await person.click(within(region).getByRole('button', { name: 'Pour away' }));
    const left = screen.getByLabelText<HTMLInputElement>(/Left in it/);
    expect(left.value).toBe('180');
    await person.clear(left);
    await person.type(left, '9000');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Pour away' }));
    expect(await screen.findByText('That is more than went in.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    await person.clear(left);
    await person.type(left, '150');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Pour away' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toEqual(['PUT /api/mixes/:id', { version: 1, step: 'poured away', leftMl: 150 }]),
    );
  });

  test('what is past is past by the server’s clock, whatever this device’s says', async () => {
    const soon = madeMix({ discardAt: new Date(Date.now() + HOUR).toISOString(), wateredAt: '2026-11-19T09:00:00Z' });
    openMorning({ batches: [], openMixes: [soon], serverNow: Date.now() + 2 * HOUR });
    expect(await screen.findByRole('region', { name: 'Past their time' })).toBeTruthy();
  });

  test('one dog fewer: its mix stands for nobody; no bottle left is told', async () => {
    openMorning({
      openMixes: [fresh({ wateredAt: new Date().toISOString() })],
      batches: [batch({ wanted: 0, bottles: [], unbottled: 0 }), batch({ bottles: [], unbottled: 770 })],
    });
    expect(await screen.findByText('for no dog any more today')).toBeTruthy();
    expect(screen.getByText(/No bottle is left for 770 ml/)).toBeTruthy();
  });

  test('what a person must decide stands first; as it is says how much to have at hand', async () => {
    openMorning({
      trouble: [{ dog: 'Rook', words: 'Tea tree wash lists Tea tree oil, and there is no other.' }],
      asItIs: [{ product: batch().product, need: 70, dogs: [{ dogId: DOG_ID, dog: 'Radish', ml: 70 }] }],
    });
    expect(await screen.findByRole('alert')).toHaveWords(/^Rook: Tea tree wash lists.*until you choose/);
    expect(screen.getByRole('heading', { name: /As it is/ }).closest('section')).toHaveWords(
      /70 ml in all.*Radish 70 ml/,
    );
  });

  test('labels for all that stands; print; an empty day says when something comes', async () => {
    const mixes = [fresh(), fresh()];
    const print = vi.spyOn(window, 'print').mockImplementation(() => undefined);
    const { person } = openMorning({ openMixes: mixes });
    const link = await screen.findByRole('link', { name: /Labels for 2 bottles/ });
    expect(link.getAttribute('href')).toBe(`/api/mixes/labels.pdf?ids=${mixes.map(({ id }) => id).join(',')}`);
    await person.click(screen.getByRole('button', { name: /Print/ }));
    expect(print).toHaveBeenCalledOnce();
  });

  test('nothing to mix', async () => {
    openMorning({ batches: [], openMixes: [] });
    expect(await screen.findByText(/nothing to mix/)).toBeTruthy();
  });

  test('a refusal of the server is told in its words, and nothing is shown as mixed', async () => {
    openServer({
      'GET /api/session': () => session(),
      'GET /api/business': () => business(),
      'GET /api/mixing': () => mixingView(),
      'POST /api/mixes': () => {
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'All 2 of Half-litre bottle hold a mix.' });
      },
    });
    const { person } = show(<MorningScreen />);
    await person.click(await screen.findByRole('button', { name: 'Product is in' }));
    expect(await screen.findByText('All 2 of Half-litre bottle hold a mix.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Water is in' })).toBeNull();
  });
});

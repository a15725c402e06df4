import type { Appointment } from '@dewpond/contract';
import type { OwnVisitKind } from '@dewpond/core/steps';
import { addDays } from '@dewpond/core/units';
import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { MEMBER, TODAY, booking, business, dogView, listed, session } from '../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../tests/server';
import { AheadScreen } from './AheadScreen';
import { choose } from '../../tests/choose';

const BEACH_RINSE: OwnVisitKind = { id: v7(), name: 'Beach rinse', parts: ['bath', 'ears'], minutes: 45 };

function openWeeks(first: readonly Appointment[] = [], clash = false) {
  const held = { list: [...first] };
  const change = (id: string, with_: Partial<Appointment>) => {
    held.list = held.list.map((each) => (each.id === id ? { ...each, version: each.version + 1, ...with_ } : each));
    return { version: held.list.find((each) => each.id === id)?.version ?? 0 };
  };
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/members': () => ({ items: [MEMBER] }),
    'GET /api/business': () => business({ visitKinds: [BEACH_RINSE] }),
    'GET /api/dogs': () => ({
      items: [listed({ nextBooked: held.list.find((each) => each.state === 'booked')?.startsAt ?? null })],
      after: null,
    }),
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/appointments': ({ query }) => ({
      items: held.list.filter(
        ({ startsAt }) =>
          startsAt.slice(0, 10) >= (query.get('from') ?? '') && startsAt.slice(0, 10) <= (query.get('to') ?? ''),
      ),
    }),
    'POST /api/appointments': ({ body }) => {
      if (clash)
        throw new RefusedAnswer(409, { kind: 'conflict', message: 'Ines Okafor is taken then: Teasel, 9:00–11:00.' });
      const endsAt = new Date(Date.parse(body.startsAt) + body.minutes * 60_000).toISOString();
      held.list.push(booking({ ...body, endsAt }));
      return { id: body.id };
    },
    'PUT /api/appointments/:id': ({ id, body }) =>
      change(
        id,
        body.change === 'move'
          ? {
              startsAt: body.startsAt,
              endsAt: new Date(Date.parse(body.startsAt) + body.minutes * 60_000).toISOString(),
            }
          : { state: body.change === 'cancel' ? 'cancelled' : 'booked' },
      ),
  });
  return { server, held, ...show(<AheadScreen />) };
}
const field = (name: string) => screen.getByLabelText<HTMLInputElement>(name);
const day = (name: string) => screen.getByRole('region', { name });

describe('the weeks ahead', () => {
  test('a dog that is due is booked for the day the plan suggests, in the business’s own time', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    expect(field('Day').value).toBe(addDays(TODAY, 2));
    expect(await screen.findByText('Nothing yet.')).toBeTruthy();
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    await waitFor(() => expect(day('Fri 27 Nov')).toHaveWords(/2 h 00.*Radish.*9:00 Ines/));
    expect(server.sent.at(-1)).toMatchObject([
      'POST /api/appointments',
      { startsAt: '2026-11-27T09:00:00.000Z', minutes: 120, memberId: MEMBER.id, kind: 'full visit' },
    ]);
    expect(await screen.findByText('Every dog has its next visit.')).toBeTruthy();
  });

  test('a clash is told in words and the form keeps what was typed', async () => {
    const { person } = openWeeks([], true);
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    await screen.findByText('Nothing yet.');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText(/Ines Okafor is taken then/)).toBeTruthy();
    expect(field('Time').value).toBe('09:00');
  });

  test('a lesson is booked short, with what the dog minds in sight', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    await screen.findByText('Nothing yet.');
    expect(await screen.findByText('no neck loop')).toBeTruthy();
    await choose(person, field('What'), 'lesson');
    expect(field('Minutes').value).toBe('20');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ kind: 'lesson', minutes: 20 }));
  });

  test('a visit is mixed part by part, with its minutes and a note for the table', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    await screen.findByText('Nothing yet.');
    const chips = within(screen.getByRole('group', { name: 'What is in it' }));
    for (const part of ['brush-out', 'cut and tidy', 'eyes and folds', 'teeth'])
      await person.click(chips.getByText(part));
    expect(screen.getByLabelText('What')).toHaveWords(/as agreed/);
    expect(field('Minutes').value).toBe('90');
    await person.type(field('Note for the table'), 'cut in December');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    const agreed = { name: '', parts: ['bath', 'ears', 'nails'] };
    await waitFor(() =>
      expect(server.sent.at(-1)?.[1]).toMatchObject({
        kind: 'as agreed',
        agreed,
        minutes: 90,
        note: 'cut in December',
      }),
    );
  });

  test('nothing in it is refused; a kind of the business’s own is booked by its name', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    await screen.findByText('Nothing yet.');
    await choose(person, field('What'), 'ears and nails');
    const chips = within(screen.getByRole('group', { name: 'What is in it' }));
    for (const part of ['ears', 'eyes and folds', 'nails', 'teeth']) await person.click(chips.getByText(part));
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText('Nothing is done at that visit.')).toBeTruthy();
    expect(server.sent).toEqual([]);
    await choose(person, field('What'), 'Beach rinse');
    await person.click(within(screen.getByRole('dialog')).getByRole('button', { name: 'Book' }));
    const agreed = { name: 'Beach rinse', parts: ['bath', 'ears'] };
    await waitFor(() => expect(server.sent.at(-1)?.[1]).toMatchObject({ kind: 'as agreed', agreed, minutes: 45 }));
  });

  test('a visit of five minutes is refused at its field', async () => {
    const { person, server } = openWeeks();
    await person.click(await screen.findByRole('button', { name: 'Book' }));
    await screen.findByText('Nothing yet.');
    await person.clear(field('Minutes'));
    await person.type(field('Minutes'), '5');
    const form = screen.getByRole('dialog').querySelector('form') as HTMLFormElement;
    form.noValidate = true;
    await person.click(within(form).getByRole('button', { name: 'Book' }));
    expect(await screen.findByText('At least 15 minutes.')).toBeTruthy();
    expect(server.sent).toEqual([]);
  });

  test('a booking is moved an hour later', async () => {
    const { person, server } = openWeeks([booking()]);
    await person.click(await screen.findByRole('button', { name: /^Radish, 9:00/ }));
    expect(screen.getByText(/9:00–11:00 Radish/)).toBeTruthy();
    await person.clear(field('Time'));
    await person.type(field('Time'), '10:00');
    await person.click(screen.getByRole('button', { name: 'Move' }));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/10:00 Ines/));
    expect(server.sent.at(-1)?.[1]).toMatchObject({ change: 'move', startsAt: '2026-11-26T10:00:00.000Z', version: 1 });
  });

  test('one is cancelled at once, and brought back', async () => {
    const { person, held } = openWeeks([booking()]);
    await person.click(await screen.findByRole('button', { name: /^Radish, 9:00/ }));
    await person.click(screen.getByRole('button', { name: 'Cancel this booking' }));
    await waitFor(() => expect(held.list[0]?.state).toBe('cancelled'));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/free/));
    await person.click(await screen.findByText('Undo'));
    await waitFor(() => expect(day('Thu 26 Nov')).toHaveWords(/Radish/));
  });

  test('arrow keys turn the weeks', async () => {
    const { person } = openWeeks();
    await screen.findByRole('heading', { name: /^Wed 25 Nov to/ });
    await person.keyboard('{ArrowRight}');
    expect(screen.getByRole('heading', { name: /^Wed 2 Dec to/ })).toBeTruthy();
    await person.click(screen.getByRole('button', { name: 'Today' }));
    expect(screen.getByRole('heading', { name: /^Wed 25 Nov to/ })).toBeTruthy();
  });
});

import type { HoursView, SessionView } from '@dewpond/contract';
import { PLAN_COSTS, USUAL_PLACES, USUAL_WEEK } from '@dewpond/core/bookings';
import { screen, waitFor, within } from '@testing-library/react';
import { v7 } from 'uuid';
import { describe, expect, test } from 'vitest';
import { choose } from '../../../tests/choose';
import { MEMBER, QUAY, sessionOf } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { HoursScreen } from './HoursScreen';

const MILL = { id: v7(), name: 'Withy Mill', kind: 'salon' } as const;

function openHours(mayEdit = true, branches: SessionView['branches'] = [QUAY]) {
  const held: { view: HoursView } = {
    view: {
      people: [{ id: MEMBER.id, name: MEMBER.name, week: USUAL_WEEK, isUsual: true, skills: [] }],
      away: [],
      mayEdit,
      places: USUAL_PLACES,
      costs: PLAN_COSTS,
      remindsAt: null,
      version: 5,
    },
  };
  const server = openServer({
    'GET /api/session': () => ({ ...sessionOf(mayEdit ? 'manager' : 'groomer'), branches }),
    'GET /api/hours': () => held.view,
    'PUT /api/members/:id/week': ({ body }) => {
      held.view = { ...held.view, people: held.view.people.map((each) => ({ ...each, ...body, isUsual: false })) };
      return {};
    },
    'PUT /api/members/:id/skills': ({ body }) => {
      held.view = { ...held.view, people: held.view.people.map((each) => ({ ...each, ...body })) };
      return {};
    },
    'PUT /api/reminders': ({ body }) => {
      held.view = { ...held.view, remindsAt: body.at, version: body.version + 1 };
      return { version: body.version + 1 };
    },
    'POST /api/away': ({ body }) => {
      const memberName = body.memberId === null ? null : MEMBER.name;
      held.view = {
        ...held.view,
        away: [...held.view.away, { ...body, memberName, branchName: body.branchId && MILL.name, version: 1 }],
      };
      return { id: body.id };
    },
    'POST /api/absences': ({ body }) => {
      const made = body.absences.map((each) => ({ ...each, memberName: null, branchName: null, version: 1 }));
      held.view = { ...held.view, away: [...held.view.away, ...made] };
      return {};
    },
    'PUT /api/planning': ({ body }) => {
      held.view = { ...held.view, ...body, version: 6 };
      return { version: 6 };
    },
    'POST /api/away/:id/ended': ({ id }) => {
      held.view = { ...held.view, away: held.view.away.filter((each) => each.id !== id) };
      return {};
    },
  });
  return { server, held, ...show(<HoursScreen />) };
}

describe('hours', () => {
  test('a day is typed as one writes it; what is none is said, and not kept', async () => {
    const { person, held } = openHours();
    const saturday = await screen.findByLabelText('Saturday');
    expect(screen.getByLabelText<HTMLInputElement>('Monday').value).toBe('9:00–12:30, 13:15–17:00');
    await person.type(saturday, '17-9');
    expect(screen.getByText('Try “9-12:30, 13:15-17”.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' }).disabled).toBe(true);
    await person.clear(saturday);
    await person.type(saturday, '9-13');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() => expect(held.view.people[0]?.week[5]).toEqual([{ from: 540, to: 780, where: 'salon' }]));
    expect(await screen.findByText('40.3 hours a week')).toBeTruthy();
  });

  test('who is away is added and taken back', async () => {
    const { person, held } = openHours();
    await person.type(await screen.findByLabelText('From'), '24 dec');
    await person.type(screen.getByLabelText('Until, that day too'), '27 dec');
    await person.type(screen.getByLabelText('Why'), 'Christmas');
    await person.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() =>
      expect(held.view.away).toMatchObject([
        { memberId: null, from: '2026-12-24', to: '2026-12-27', name: 'Christmas' },
      ]),
    );
    const line = (await screen.findByText(/Thu 24 Dec to Sun 27 Dec: Christmas/)).closest('li') as HTMLElement;
    await person.click(within(line).getByRole('button', { name: 'Take back' }));
    await waitFor(() => expect(held.view.away).toEqual([]));
  });

  test('of several branches one is closed, and is named', async () => {
    const { person, held } = openHours(true, [QUAY, MILL]);
    await screen.findByLabelText('From');
    const who = screen.getByRole('combobox', { name: 'Who' });
    await waitFor(() => expect(who.textContent).toBe('closed everywhere'));
    await choose(person, who, 'closed: Withy Mill');
    await person.type(screen.getByLabelText('From'), '24 dec');
    await person.type(screen.getByLabelText('Why'), 'new floor');
    await person.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() =>
      expect(held.view.away).toMatchObject([{ memberId: null, branchId: MILL.id, from: '2026-12-24' }]),
    );
    expect(await screen.findByText('Withy Mill closed')).toBeTruthy();
  });

  test('whoever is no manager reads it', async () => {
    openHours(false);
    expect(await screen.findByText(/Only an owner-manager may say who works when/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Add' })).toBeNull();
    expect(screen.getByLabelText<HTMLInputElement>('Monday').disabled).toBe(true);
  });
});

describe('days away from a calendar file', () => {
  const soon = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  const file = (...entries: readonly string[]) =>
    new File([['BEGIN:VCALENDAR', 'VERSION:2.0', ...entries, 'END:VCALENDAR'].join('\r\n')], 'days.ics');
  const entry = (name: string, start: string) =>
    ['BEGIN:VEVENT', `UID:${name}`, `SUMMARY:${name}`, start, 'END:VEVENT'].join('\r\n');
  const wholeDay = (name: string, days: number) => entry(name, `DTSTART;VALUE=DATE:${soon(days).replaceAll('-', '')}`);

  test('are looked at, some left, the rest taken; what is left out says why', async () => {
    const { person, held } = openHours();
    const input = await screen.findByLabelText('From a calendar file (.ics)');
    await person.upload(
      input,
      file(wholeDay('Boat show', 30), wholeDay('Fair', 40), entry('Vet', 'DTSTART:20300101T100000Z')),
    );
    expect(await screen.findByText('1 left out, and why')).toBeTruthy();
    await person.click(screen.getByRole('checkbox', { name: /Fair/ }));
    await person.click(screen.getByRole('button', { name: 'Take one entry' }));
    await waitFor(() =>
      expect(held.view.away).toMatchObject([{ memberId: null, from: soon(30), to: soon(30), name: 'Boat show' }]),
    );
    await person.upload(input, file(wholeDay('Boat show', 30)));
    expect(await screen.findByText('1 stand here already.')).toBeTruthy();
  });

  test('a file that is no calendar is told', async () => {
    const { person } = openHours();
    await person.upload(await screen.findByLabelText('From a calendar file (.ics)'), new File(['hello'], 'days.ics'));
    expect(await screen.findByText('That is no calendar file (.ics).')).toBeTruthy();
  });
});

describe('what the salon has and planning weighs', () => {
  test('is kept together; what is no number is told, and not kept', async () => {
    const { person, server } = openHours();
    const tables = await screen.findByLabelText('Tables');
    await person.clear(tables);
    await person.type(tables, '0');
    expect(screen.getByText('1 to 20.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' }).disabled).toBe(true);
    await person.clear(tables);
    await person.type(tables, '3');
    const wish = screen.getByLabelText('A wish missed');
    await person.clear(wish);
    await person.type(wish, '2,5');
    await person.click(screen.getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(server.sent.at(-1)).toEqual([
        'PUT /api/planning',
        { version: 5, places: { ...USUAL_PLACES, tables: 3 }, costs: { ...PLAN_COSTS, wish: 2.5 } },
      ]),
    );
    expect(await screen.findByText(/usually 2/)).toBeTruthy();
  });

  test('is a manager’s to change', async () => {
    openHours(false);
    expect((await screen.findByLabelText<HTMLInputElement>('Tables')).disabled).toBe(true);
  });
});

test('what a person is good at: words of the business, each once', async () => {
  const { person, held } = openHours();
  await person.type(await screen.findByLabelText('Good at, with commas between'), 'nervous dogs, cats, cats,');
  await person.click(screen.getByRole('button', { name: 'Keep skills' }));
  await waitFor(() => expect(held.view.people[0]?.skills).toEqual(['nervous dogs', 'cats']));
  await waitFor(() => expect(screen.queryByRole('button', { name: 'Keep skills' })).toBeNull());
});

test('reminders are off until somebody asks for them, and are turned off again', async () => {
  const { person, held } = openHours();
  await person.click(await screen.findByRole('button', { name: 'Remind owners' }));
  await waitFor(() => expect(held.view.remindsAt).toBe(18 * 60));
  await person.click(await screen.findByRole('button', { name: 'Turn off' }));
  await waitFor(() => expect(held.view.remindsAt).toBeNull());
});

import type { HomeCareView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { planDue } from '@dewpond/core/due';
import { fitHome, homeTasks } from '@dewpond/core/homecare';
import { ENGLISH, homeLeftTold, homeTaskTold, wordingIn } from '@dewpond/core/wording';
import { screen, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { DOG_ID, TODAY, dogView, facts, session } from '../../../tests/demoDog';
import { openServer, show } from '../../../tests/server';
import { WeekScreen } from './WeekScreen';

const due = planDue(
  makePlan(facts()),
  { places: {}, tasks: {}, homeCareChangedOn: null, schoolChangedOn: null },
  TODAY,
);

const SPANISH = wordingIn('es');

/** A server that asks for what fits, as the real one does; its owner reads Spanish. */
function openWeek() {
  let agreed: number | null = null;
  let version = 3;
  const view = (): HomeCareView => {
    const fit = fitHome(homeTasks(due), agreed);
    return {
      ...{ since: TODAY, today: TODAY, language: 'es', words: SPANISH.page, version, ticks: [], photos: [] },
      tasks: fit.kept.map((task) => homeTaskTold(SPANISH, task)),
      left: fit.left.map((each) => homeLeftTold(SPANISH, each)),
      bath: null,
      minutes: { wanted: fit.asked, agreed, asked: Math.round(fitHome(fit.kept, null).asked) },
      share: { asked: 0, done: 0 },
    };
  };
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/profile': () => ({
      ...{ version: 1, name: 'Withy Quay Grooming', phone: '01632 960100', email: '', colour: '#125B60' },
      ...{ language: 'en-GB', wording: {}, mayEdit: true },
    }),
    'GET /api/dogs/:id/home': view,
    'PUT /api/dogs/:id/home': ({ body }) => {
      agreed = (body as { minutes: number | null }).minutes;
      version += 1;
      return { version };
    },
  });
  return { ...server, ...show(<WeekScreen />, { path: '/dogs/:id/week', at: `/dogs/${DOG_ID}/week` }) };
}
const bodies = (sent: ReturnType<typeof openServer>['sent']) =>
  sent.flatMap(([key, body]) => (key === 'PUT /api/dogs/:id/home' ? [body] : []));
const card = () => screen.findByRole('region', { name: 'Minutes a week' });

describe('minutes a week', () => {
  test('are counted; what fits is asked, the rest is told with what follows, in the salon’s language', async () => {
    const { person, sent } = openWeek();
    expect(await card()).toHaveWords(/The plan asks .* for \d{2,3} minutes a week/);
    await person.type(within(await card()).getByLabelText('Minutes a week the owner has'), '10');
    await person.click(screen.getByRole('button', { name: 'Ask for what fits' }));
    expect(await within(await card()).findByText('What we do not ask of you')).toBeTruthy();
    expect(await card()).toHaveWords(/You have 10 minutes a week/);
    expect(bodies(sent)).toEqual([{ version: 3, minutes: 10 }]);
    expect(ENGLISH.page.followsRemains).toBe('Nobody does it. Ask us or your vet about it.');
    expect(await card()).toHaveWords(/Teeth: Nobody does it/);
  });

  test('what is no number of minutes is told and not sent; empty asks for all again', async () => {
    const { person, sent } = openWeek();
    const field = within(await card()).getByLabelText('Minutes a week the owner has');
    for (const bad of ['0', '-3', 'ten', '9999', '2.5']) {
      await person.clear(field);
      await person.type(field, bad);
      await person.click(screen.getByRole('button', { name: 'Ask for what fits' }));
      expect(await card()).toHaveWords(/Whole minutes a week, 1 to 600/);
    }
    expect(bodies(sent)).toEqual([]);
    await person.clear(field);
    await person.click(screen.getByRole('button', { name: 'Ask for what fits' }));
    expect(bodies(sent)).toEqual([{ version: 3, minutes: null }]);
  });
});

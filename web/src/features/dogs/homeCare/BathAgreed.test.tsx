import type { HomeBathView } from '@dewpond/contract';
import { makePlan } from '@dewpond/core/careplan';
import { strengthOf, type Product } from '@dewpond/core/dilution';
import { fillingFor, homeBath, withHomeBath, type HomeBathAgreed } from '@dewpond/core/homebath';
import { homeTasks } from '@dewpond/core/homecare';
import { ENGLISH, homeBathTold, homeTaskTold } from '@dewpond/core/wording';
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { DOG_ID, TODAY, WASH_ID, business, dogView, facts, session } from '../../../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../../../tests/server';
import { WeekScreen } from './WeekScreen';

const pug = facts();
const plan = makePlan(pug);
const [wash] = business().products;
const SHELF: readonly Product[] = [
  {
    ...{ id: WASH_ID, name: wash?.name ?? '', kind: 'cleansing', label: '24:1', contact: null, amountFactor: 1 },
    ...{ suppliedBy: 'house', costPerMl: null, cautions: [], ingredients: [] },
    dilution: { kind: 'dilute', strength: strengthOf(24) },
  },
];

/** A server that mixes as the real one does. */
function openWeek(prescribed: string | null = null) {
  let agreed: HomeBathAgreed | null = null;
  let version = 3;
  const bathView = (): HomeBathView => {
    const bath = agreed && homeBath(pug, plan, agreed, { units: 'metric', shelf: SHELF });
    return {
      ...{ agreed, prescribed, version, toSettle: null },
      told: bath && homeBathTold(ENGLISH, bath, 'metric'),
      filling: bath?.kind === 'ready' && agreed?.bottle.kind === 'filled' ? fillingFor(bath.takes, 14, 42) : null,
    };
  };
  const server = openServer({
    'GET /api/session': () => session(),
    'GET /api/business': () => business(),
    'GET /api/dogs/:id': () => dogView(),
    'GET /api/profile': () => ({
      ...{ version: 1, name: 'Withy Quay Grooming', phone: '01632 960100', email: '', colour: '#125B60' },
      ...{ language: 'en-GB', wording: {}, mayEdit: true },
    }),
    'GET /api/dogs/:id/home': () => ({
      ...{ since: TODAY, today: TODAY, language: 'en-GB', words: ENGLISH.page, version, ticks: [], photos: [] },
      ...{ left: [], minutes: { wanted: 60, agreed: null, asked: 60 }, share: { asked: 0, done: 0 } },
      tasks: homeTasks(withHomeBath(plan.lines, agreed, pug).map((line) => ({ line }))).map((task) =>
        homeTaskTold(ENGLISH, task),
      ),
      bath: bathView().told,
    }),
    'GET /api/dogs/:id/home-bath': bathView,
    'PUT /api/dogs/:id/home-bath': ({ body }) => {
      const given = body.agreed;
      if (given?.bottle.kind === 'own' && given.bottle.label === 'smells of oats')
        throw new RefusedAnswer(422, { kind: 'bad input', message: 'There is no ratio in it.' });
      agreed = given;
      version += 1;
      return { version };
    },
  });
  return { ...server, ...show(<WeekScreen />, { path: '/dogs/:id/week', at: `/dogs/${DOG_ID}/week` }) };
}
const card = () => screen.findByRole('region', { name: 'A bath at home' });
const sentBaths = (sent: ReturnType<typeof openServer>['sent']) =>
  sent.flatMap(([key, body]) => (key === 'PUT /api/dogs/:id/home-bath' ? [body] : []));

describe('a bath at home', () => {
  test('with a small bottle: what to fill, its label, and as the owner reads it, also on paper; until something is typed', async () => {
    const { person, sent } = openWeek();
    await person.click(within(await card()).getByRole('button', { name: 'We fill a small bottle' }));
    await person.clear(within(await card()).getByLabelText('Every … days'));
    await person.type(within(await card()).getByLabelText('Every … days'), '14');
    await person.click(within(await card()).getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(sentBaths(sent)).toEqual([
        { version: 3, agreed: { bottle: { kind: 'filled', productId: WASH_ID }, everyDays: 14 } },
      ]),
    );
    const label = await within(await card()).findByRole('link', { name: 'Label for it' });
    expect(label.getAttribute('href')).toBe(`/api/dogs/${DOG_ID}/home-bath/label.pdf`);
    expect(await card()).toHaveWords(/Fill \d+(\.\d+)? ml of .* into a bottle of \d+ ml: 2 baths until the next visit/);
    // Once here, once on the paper for the wall.
    expect(await screen.findAllByText('1 part shampoo to 24 parts water')).toHaveLength(2);
    await person.click(within(await card()).getByRole('button', { name: 'The owner’s own bottle' }));
    expect(within(await card()).queryByRole('link', { name: 'Label for it' })).toBeNull();
  });

  test('with the owner’s own bottle: the label is read while it is typed, and what it can mean is asked', async () => {
    const { person, sent } = openWeek();
    await person.click(within(await card()).getByRole('button', { name: 'The owner’s own bottle' }));
    await person.type(within(await card()).getByLabelText('What is on the bottle'), 'Meadow dog wash');
    const label = within(await card()).getByLabelText('What its label says of mixing');
    await person.type(label, 'ready to use');
    expect(await card()).toHaveWords(/Used as it is, never mixed/);
    await person.clear(label);
    await person.type(label, '1:10');
    const [first, second] = within(within(await card()).getByRole('group', { name: 'Which is meant' })).getAllByRole(
      'button',
    );
    expect([first, second].map((each) => each?.getAttribute('aria-pressed'))).toEqual(['true', 'false']);
    if (second) await person.click(second);
    await person.click(within(await card()).getByRole('button', { name: 'Keep' }));
    await waitFor(() =>
      expect(sentBaths(sent)).toEqual([
        {
          version: 3,
          agreed: {
            bottle: { kind: 'own', name: 'Meadow dog wash', label: '1:10', said: { waterParts: '9', range: null } },
            everyDays: 21,
          },
        },
      ]),
    );
    expect(await screen.findAllByText('1 part shampoo to 9 parts water')).toHaveLength(2);
  });

  test('what cannot be mixed is refused in words', async () => {
    const { person } = openWeek();
    await person.click(within(await card()).getByRole('button', { name: 'The owner’s own bottle' }));
    await person.type(within(await card()).getByLabelText('What is on the bottle'), 'Meadow dog wash');
    await person.type(within(await card()).getByLabelText('What its label says of mixing'), 'smells of oats');
    await person.click(within(await card()).getByRole('button', { name: 'Keep' }));
    expect(await within(await card()).findByRole('alert')).toHaveWords(/There is no ratio in it/);
  });

  test('where a vet asked for a wash, that is what it is given with', async () => {
    openWeek('Dr Oyelaran');
    const choices = within(await card()).getByRole('group', { name: 'With what' });
    expect(
      within(choices)
        .getAllByRole('button')
        .map(({ textContent }) => textContent),
    ).toEqual(['No bath at home', 'With what Dr Oyelaran asked for']);
  });
});

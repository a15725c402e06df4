import { finding } from '@dewpond/core/findings';
import type { Happening } from '@dewpond/core/visit';
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { TODAY, facts, session, visitView } from '../../tests/demoDog';
import { openOffice, show } from '../../tests/office';
import { TableScreen } from './TableScreen';

let sent: Happening[];
let office: ReturnType<typeof openOffice>;

/** Radish on the table, and whoever holds the tablet. */
function toTheTable(visit = visitView()) {
  sent = [];
  office = openOffice({
    'GET /api/session': () => session(),
    'GET /api/visits/:id': () => visit,
    'POST /api/visits/:id/events': ({ body }) => {
      sent.push(...body.events.map((event) => event.what as Happening));
      return { taken: body.events.map((event) => event.id), known: [] };
    },
  });
  return show(<TableScreen />, { path: '/visits/:id', at: `/visits/${visit.id}` });
}
const button = (name: RegExp | string) => screen.getByRole('button', { name });
const next = () => within(screen.getByRole('contentinfo')).getAllByRole('button').at(-1) as HTMLButtonElement;
const heading = () => screen.getAllByRole('heading', { level: 1 }).map((each) => each.textContent);

/** Presses "done" until the step of that name is shown. */
async function until(person: ReturnType<typeof show>['person'], title: RegExp) {
  for (let i = 0; i < 30 && !heading().some((each) => title.test(each)); i++) await person.click(next());
  expect(heading().join()).toMatch(title);
}

describe('at the table', () => {
  beforeEach(() => {
    sent = [];
  });

  test('nothing is clear by silence: the look-over is done when every place was touched', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    await person.click(next());
    await person.click(next());
    expect(next()).toBeDisabledAnd(/places still to look at/);
    await person.click(button('left ear clear'));
    await person.click(button(/I looked: the other \d+ are clear/));
    await person.click(next());
    expect(sent).toContainEqual({ type: 'looked clear', place: { site: 'ear', side: 'left' } });
    expect(sent.filter((each) => each.type === 'looked clear').length).toBeGreaterThan(4);
    expect(sent[0]).toEqual({ type: 'opened' });
  });

  test('every step with hands on the dog shows how, over the visit and without leaving it', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    expect(screen.queryByRole('button', { name: 'Show how' })).toBeNull();
    await person.click(next());
    await person.click(next());
    await person.click(button('Show how'));
    const card = screen.getByRole('dialog', { name: 'Look into the ears' });
    expect(card).toHaveWords(/Lift the flap up and away.*Never.*Enough/);
    await person.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(heading().join()).toMatch(/Look and smell/);
  });

  test('how the dog is held stands at the first step, with where it comes from', async () => {
    toTheTable();
    await screen.findByText(/step 1 of/);
    expect(document.body).toHaveWords(/Harness, never by the neck.*No closed muzzle/);
  });

  test('a musty left ear takes the left ear’s steps away, says why and what instead, and from where', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    await person.click(next());
    await person.click(next());
    await person.click(screen.getAllByRole('button', { name: /^left ear/i })[0] as HTMLElement);
    const panel = screen.getByRole('dialog');
    expect(panel).toHaveWords(/Last time: pale-brown wax, no smell, plain/);
    await person.click(within(panel).getByRole('button', { name: 'musty or yeasty smell, slight' }));
    expect(within(panel).getByRole('alert')).toHaveWords(/Nothing goes into this place today.*Tell the owner/);
    await person.click(within(panel).getByRole('button', { name: /^musty or yeasty smell.*Where/ }));
    expect(await screen.findByText('Source: common practice')).toBeTruthy();
    await person.keyboard('{Escape}');
    await person.click(within(panel).getByRole('button', { name: 'Done' }));
    expect(screen.getByText('Clean the left ear').tagName).toBe('S');
    expect(screen.getByText(/Instead: Outer flap by damp pad only/)).toBeTruthy();
    expect(screen.queryByText('Clean the right ear')?.tagName).not.toBe('S');
  });

  test('a sign that ends the visit takes the whole screen; marked by mistake brings it back', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    await person.click(next());
    await person.click(next());
    await person.click(button('Something stops the visit'));
    await person.click(button(/collapse, seen/));
    expect(screen.getByText('Stop the visit.')).toBeTruthy();
    expect(screen.getByText(/plugs out, product rinsed off, dried/)).toBeTruthy();
    await person.click(button('Marked by mistake'));
    expect(screen.queryByText('Stop the visit.')).toBeNull();
    expect(sent.at(-1)).toMatchObject({ type: 'taken back' });
  });

  test('pads: the step waits for a clean one and keeps the worst colour', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    await person.click(next());
    await person.click(next());
    await person.click(button(/I looked: the other/));
    await until(person, /Clean the left ear/);
    expect(next()).toBeDisabledAnd(/Wipe until a pad comes out clean/);
    await person.click(button('brown'));
    await person.click(button('pale'));
    expect(screen.getByRole('region', { name: 'Pads, left ear' })).toHaveWords(/2.*dirty pads, left ear, worst brown/);
    await person.click(button('This one came out clean'));
    expect(next().disabled).toBe(false);
  });

  test('plugs are counted in and out; one not found is said and the visit may go on', async () => {
    const { person } = toTheTable(visitView({ facts: facts('beagle') }));
    await screen.findByText(/step 1 of/);
    await person.click(next());
    await person.click(next());
    await person.click(button(/I looked: the other/));
    for (const side of ['left', 'right']) {
      await until(person, new RegExp(`Clean the ${side} ear`));
      await person.click(button('This one came out clean'));
    }
    await until(person, /Plugs in, counted/);
    expect(next()).toBeDisabledAnd(/Count the plugs in first/);
    await person.click(button('Put in: left ear'));
    await person.click(button('Put in: right ear'));
    await until(person, /Plugs out, counted/);
    expect(next()).toBeDisabledAnd(/A plug is still in/);
    await person.click(screen.getAllByRole('button', { name: 'Out, dry' })[0] as HTMLElement);
    await person.click(screen.getAllByRole('button', { name: 'Not found' })[1] as HTMLElement);
    expect(screen.getByText(/A vet should look today/)).toBeTruthy();
    expect(next().disabled).toBe(false);
    expect(sent).toContainEqual({ type: 'plug not found', side: 'right' });
  });

  test('handover: last time’s answers are in sight, and stitches take the bath away', async () => {
    const { person } = toTheTable(visitView({ lastAnswers: { heart: { answer: true, day: TODAY } } }));
    await screen.findByText(/step 1 of/);
    await person.click(next());
    const heart = screen.getByRole('group', { name: 'A heart condition?' });
    expect(heart).toHaveWords(/last asked Wed 25 Nov: yes/);
    await person.click(
      within(screen.getByRole('group', { name: /fresh stitches/ })).getByRole('button', { name: 'Yes' }),
    );
    expect(screen.getByText('Wet the coat').tagName).toBe('S');
    expect(screen.getByText(/Towels and brush only/)).toBeTruthy();
    await person.click(button(/No to the other 8/));
    expect(sent.filter((each) => each.type === 'answered')).toHaveLength(9);
  });

  test('a step is skipped with a reason, and going back takes the last one back', async () => {
    const { person } = toTheTable();
    await screen.findByText(/step 1 of/);
    await person.click(button('Skip, because…'));
    await person.click(button('No time left'));
    expect(sent.at(-1)).toEqual({ type: 'step skipped', step: 'prepare', because: 'no time left' });
    await person.click(button('Back'));
    expect(sent.at(-1)).toEqual({ type: 'step undone', step: 'prepare' });
    expect(heading()).toContain('Make ready');
  });

  test('with the network away it says so and keeps what was done for later', async () => {
    const { person } = toTheTable();
    await screen.findByText('all saved');
    office.away = true;
    await person.click(next());
    expect(await screen.findByText(/not sent, 1 kept here/)).toBeTruthy();
    expect(localStorage.getItem(`dewpond-waiting-${visitView().id}`)).toContain('step done');
  });

  test('what was done before a reload is there again', async () => {
    const events = [
      { type: 'opened' } as const,
      { type: 'step done', step: 'prepare' } as const,
      { type: 'found', finding: finding({ site: 'ear', side: 'right' }, 'ear dark wax', 2) } as const,
    ].map((what, i) => ({ id: `e${i}`, v: 1, counter: i + 1, device: 'd', person: 'p', at: i, offset: 0, what }));
    const { person } = toTheTable(visitView({ events }));
    expect(await screen.findByText(/step 2 of/)).toBeTruthy();
    await person.click(next());
    expect(screen.getAllByText(/dark-brown wax, no smell, plain/)).not.toHaveLength(0);
    expect(sent).not.toContainEqual({ type: 'opened' });
  });
});

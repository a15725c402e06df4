import { v7 } from 'uuid';
import { storage } from '../../data/device';
import { tapped } from '@dewpond/core/events';
import { finding } from '@dewpond/core/findings';
import { screen, within } from '@testing-library/react';
import { describe, expect, test, vi } from 'vitest';
import { TODAY, facts, visitView } from '../../tests/demoDog';
import type { show } from '../../tests/server';
import { useVisitLog } from './visitLog';
import { lookAllClear, standAtTable } from '../../tests/tableSide';

const button = (name: RegExp | string) => screen.getByRole('button', { name });
const next = () => within(screen.getByRole('contentinfo')).getAllByRole('button').at(-1) as HTMLButtonElement;
const heading = () => screen.getAllByRole('heading', { level: 1 }).map((each) => each.textContent);

/** Presses "done" until the step of that name is shown. */
async function until(person: ReturnType<typeof show>['person'], title: RegExp) {
  for (let i = 0; i < 30 && !heading().some((each) => title.test(each)); i++) await person.click(next());
  expect(heading().join()).toMatch(title);
}

describe('at the table', () => {
  test('nothing is clear by silence: the look-over is done when every place was touched', async () => {
    const { person, happened } = await standAtTable();
    await person.click(next());
    await person.click(next());
    expect(next()).toBeDisabledAnd(/places still to look at/);
    await person.click(button('left ear clear'));
    await lookAllClear(person);
    await person.click(next());
    expect(happened()).toContainEqual({ type: 'looked clear', place: { site: 'ear', side: 'left' } });
    expect(happened().filter((each) => each.type === 'looked clear').length).toBeGreaterThan(4);
    expect(happened()[0]).toEqual({ type: 'opened' });
  });

  test('every step with hands on the dog shows how, over the visit and without leaving it', async () => {
    const { person } = await standAtTable();
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
    await standAtTable();
    expect(document.body).toHaveWords(/Harness, never by the neck.*No closed muzzle/);
  });

  test('a musty left ear takes the left ear’s steps away, says why and what instead, and from where', async () => {
    const { person } = await standAtTable();
    await person.click(next());
    await person.click(next());
    await person.click(screen.getAllByRole('button', { name: /^left ear/i })[0] as HTMLElement);
    const panel = screen.getByRole('dialog');
    expect(panel).toHaveWords(/Last time: pale-brown wax, no smell, plain/);
    await person.click(within(panel).getByRole('button', { name: 'musty or yeasty smell, slight' }));
    expect(within(panel).getByRole('alert')).toHaveWords(/Nothing goes into this place today.*Tell the owner/);
    await person.click(within(panel).getByRole('button', { name: /^Musty or yeasty smell.*Where/ }));
    expect(await screen.findByText('Source: common practice')).toBeTruthy();
    await person.keyboard('{Escape}');
    await person.click(within(panel).getByRole('button', { name: 'Done' }));
    expect(screen.getByText('Clean the left ear').tagName).toBe('S');
    expect(screen.getByText(/Instead: Outer flap by damp pad only/)).toBeTruthy();
    expect(screen.queryByText('Clean the right ear')?.tagName).not.toBe('S');
  });

  test('a sign that ends the visit takes the whole screen; marked by mistake brings it back', async () => {
    const { person, happened } = await standAtTable();
    await person.click(next());
    await person.click(next());
    await person.click(button('Something stops the visit'));
    await person.click(button(/collapse, seen/));
    expect(screen.getByText('Stop the visit.')).toBeTruthy();
    expect(screen.getByText(/plugs out, product rinsed off, dried/)).toBeTruthy();
    await person.click(button('Marked by mistake'));
    expect(screen.queryByText('Stop the visit.')).toBeNull();
    expect(happened().at(-1)).toMatchObject({ type: 'taken back' });
  });

  test('pads: the worst colour is kept; without a clean one it asks why, and records reason and name', async () => {
    const { person, happened } = await standAtTable();
    await person.click(next());
    await person.click(next());
    await lookAllClear(person);
    await until(person, /Wipe the left ear/);
    await person.click(button('brown'));
    await person.click(button('pale'));
    expect(screen.getByRole('region', { name: 'Pads, left ear' })).toHaveWords(/2.*dirty pads, left ear, worst brown/);
    await person.click(next());
    expect(screen.getByRole('dialog', { name: 'Wait a moment' })).toHaveWords(/No clean pad from the left ear yet/);
    await person.click(button('Not done yet: go back'));
    expect(heading().join()).toMatch(/Wipe the left ear/);
    await person.click(next());
    const goOn = button(/Go on: it is recorded/) as HTMLButtonElement;
    expect(goOn.disabled).toBe(true);
    await person.click(button('Dog would not bear it'));
    await person.click(goOn);
    expect(happened().slice(-2)).toEqual([
      {
        type: 'caution overridden',
        caution: 'no clean pad',
        step: 'ears, first pass left',
        because: tapped('would not bear it'),
        who: 'Ines Okafor',
      },
      { type: 'step done', step: 'ears, first pass left' },
    ]);
  });

  test('dirtier than it looked: drops; still brown: once more, then it is left and told', async () => {
    const { person, happened } = await standAtTable();
    await person.click(next());
    await person.click(next());
    await lookAllClear(person);
    await until(person, /Wipe the left ear/);
    await person.click(button('brown'));
    await person.click(button('brown'));
    await person.click(button('Dirtier than it looked: drops and massage'));
    expect(heading().join()).toMatch(/Clean the left ear/);
    expect(screen.getByText(/Plain wax: a few drops and massage/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /once more/ })).toBeNull();
    await person.click(button('brown'));
    await person.click(button('Still brown: fill and massage once more'));
    expect(happened().slice(-2)).toMatchObject([
      { type: 'ear filled again', side: 'left' },
      { type: 'timer started', timer: 'massage again left', seconds: 30 },
    ]);
    expect(screen.queryByRole('button', { name: /leave it and tell/ })).toBeNull();
    await person.click(button('brown'));
    await person.click(button('Still brown after 2 rounds: leave it and tell'));
    expect(screen.getByText('Clean the left ear').tagName).toBe('S');
  });

  test('plugs are counted in and out; one not found is said and the visit may go on', async () => {
    const { person, happened } = await standAtTable(visitView({ facts: facts('beagle') }));
    await person.click(next());
    await person.click(next());
    await lookAllClear(person);
    for (const side of ['left', 'right']) {
      await until(person, new RegExp(`Wipe the ${side} ear`));
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
    expect(happened()).toContainEqual({ type: 'plug not found', side: 'right' });
  });

  test('handover: last time’s answers are in sight, and stitches take the bath away', async () => {
    const { person, happened } = await standAtTable(
      visitView({ lastAnswers: { heart: { answer: true, day: TODAY } } }),
    );
    await person.click(next());
    const heart = screen.getByRole('group', { name: 'A heart condition?' });
    expect(heart).toHaveWords(/last asked Wed 25 Nov: yes/);
    await person.click(
      within(screen.getByRole('group', { name: /fresh stitches/ })).getByRole('button', { name: 'Yes' }),
    );
    expect(screen.getByText('Wet the coat').tagName).toBe('S');
    expect(screen.getByText(/Towels and brush only/)).toBeTruthy();
    // One cause, told once, whatever stands in for each step.
    expect(screen.getAllByText(/^Fresh stitches/i)).toHaveLength(1);
    await person.click(button(/No to the other 14/));
    expect(happened().filter((each) => each.type === 'answered')).toHaveLength(15);
  });

  test('a step is skipped with a reason, and going back takes the last one back', async () => {
    const { person, happened } = await standAtTable();
    await person.click(button('Skip, because…'));
    await person.click(button('No time left'));
    expect(happened().at(-1)).toEqual({ type: 'step skipped', step: 'prepare', because: tapped('no time') });
    await person.click(button('Back'));
    expect(happened().at(-1)).toEqual({ type: 'step undone', step: 'prepare' });
    expect(heading()).toContain('Make ready');
  });

  test('with the network away it says so, keeps what was done on the device, and sends it once when it is back', async () => {
    const { person, sent, server, happened } = await standAtTable();
    await vi.waitFor(() => expect(sent).toEqual([{ type: 'opened' }]));
    await screen.findByText('the server has it all');
    server.away = true;
    await person.click(next());
    expect(await screen.findByText(/not sent yet: 1 kept on this device/)).toBeTruthy();
    const visitId = useVisitLog.getState().visitId;
    const rows = await storage.events.ofVisit(visitId);
    expect(rows.filter(({ sentAt }) => sentAt === null)).toMatchObject([
      { event: { what: { type: 'step done', step: 'prepare' } } },
    ]);
    server.away = false;
    window.dispatchEvent(new Event('online'));
    expect(await screen.findByText('the server has it all')).toBeTruthy();
    expect(sent).toEqual(happened());
  });

  test('what was done before a reload is there again', async () => {
    const events = [
      { type: 'opened' } as const,
      { type: 'step done', step: 'prepare' } as const,
      { type: 'found', finding: finding({ site: 'ear', side: 'right' }, 'ear dark wax', 2) } as const,
    ].map((what, i) => ({
      id: v7(),
      v: 1,
      counter: i + 1,
      device: 'd',
      person: 'p',
      at: i,
      offset: 0,
      seen: null,
      what,
    }));
    const { person, happened } = await standAtTable(visitView({ events }));
    expect(await screen.findByText(/step 2 of/)).toBeTruthy();
    await person.click(next());
    expect(screen.getAllByText(/dark-brown wax, no smell, plain/)).not.toHaveLength(0);
    expect(happened()).not.toContainEqual({ type: 'opened' });
  });
});

import { storage, useOwnWork } from '../data/device';
import { onDisk } from '../tests/onDisk';
import type { OwnEvent } from '../device/storage';
import { screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { MEMBER, session } from '../tests/demoDog';
import { RefusedAnswer, openServer, show } from '../tests/server';
import { NewVersion } from './Notices';
import { Shell } from './Shell';
import { letIn, useNewVersion } from '../browser/newVersion';

const signedIn = () => openServer({ 'GET /api/session': () => session() });
const signedOut = () =>
  openServer({
    'GET /api/session': () => {
      throw new RefusedAnswer(401, { kind: 'not signed in', message: 'Sign in first.' });
    },
  });

describe('the shell', () => {
  test('shows the seven places but the table, and where one is', async () => {
    signedIn();
    show(<Shell />);
    const places = await screen.findByRole('navigation', { name: 'Places' });
    expect(places).toHaveWords(/Today.*Dogs.*Ahead.*Mixing bench.*Watch list.*House ways/);
    expect(screen.getByRole('link', { name: 'Today' }).getAttribute('aria-current')).toBe('page');
  });

  test('"?" lists the keys; "g d" goes to the dogs; typing in a field does neither', async () => {
    signedIn();
    const { person } = show(<Shell />);
    await screen.findByRole('navigation');
    await person.keyboard('?');
    expect(await screen.findByRole('dialog', { name: 'Keys and you' })).toHaveWords(/Go to Mixing bench.*New dog/);
    expect(screen.getByRole('dialog')).toHaveWords(/It is not veterinary advice; local rules come first/);
    await person.keyboard('{Escape}');
    await person.keyboard('gd');
    expect(await screen.findByText('another screen')).toBeTruthy();
  });

  test('night and chalk change over and are kept', async () => {
    signedIn();
    const { person } = show(<Shell />);
    await screen.findByRole('navigation');
    await person.click(screen.getByRole('button', { name: 'Change to night' }));
    expect(document.documentElement.dataset['theme']).toBe('night');
    await person.keyboard('T');
    expect(document.documentElement.dataset['theme']).toBe('chalk');
  });

  test('a server that cannot be reached is said in words', async () => {
    const server = signedIn();
    server.away = true;
    show(<Shell />);
    expect(await screen.findByText(/cannot be reached. Nothing was lost/, {}, { timeout: 20_000 })).toBeTruthy();
  });
});

describe('signing in', () => {
  test.each([
    [401, /do not match/],
    [429, /Too many tries/],
    [500, /That did not work/],
  ])('an answer of %s is told in words', async (status, words) => {
    signedOut();
    const { person } = show(<Shell />);
    await person.type(await screen.findByLabelText('E-mail'), 'ines@withyquay.example');
    await person.type(screen.getByLabelText('Password'), 'wrong');
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}', { status })));
    await person.click(screen.getByRole('button', { name: 'Sign in' }));
    await waitFor(() => expect(screen.getByRole('alert')).toHaveWords(words));
  });
});

describe('work of this device that has not arrived', () => {
  const waiting = (): OwnEvent => {
    const id = v7();
    const what = { type: 'step done', step: 'nails' } as const;
    const person = MEMBER.personId;
    const event = { id, v: 2, counter: 1, device: 'd', person, at: Date.now(), offset: null, seen: {}, what };
    return { id, visitId: v7(), person, event, sentAt: null, refused: null };
  };

  test('is told on every screen, and signing out warns and keeps it', async () => {
    const asked: string[] = [];
    const server = signedIn();
    const through = globalThis.fetch;
    vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
      if (url.includes('/events')) return Promise.reject(new Error('no network'));
      if (!url.includes('sign-out')) return through(url, init);
      asked.push(url);
      return Promise.resolve(Response.json({}));
    });
    const assign = vi.fn();
    const here = window.location;
    vi.stubGlobal('location', { ...here, assign });
    await storage.events.putAll([waiting()]);
    const { person } = show(<Shell />);
    expect(await screen.findByText(/1 from the table not sent yet, kept on this device/)).toBeTruthy();
    await person.keyboard('?');
    await person.click(screen.getByRole('button', { name: 'Sign out' }));
    expect(screen.getByRole('alert')).toHaveWords(
      /1 from the table have not reached the server. They stay on this device/,
    );
    expect(asked).toEqual([]);
    await person.click(screen.getByRole('button', { name: 'Sign out all the same' }));
    await vi.waitFor(() => expect(assign).toHaveBeenCalledWith('/'));
    expect(asked).toHaveLength(1);
    expect(await onDisk('events')).toHaveLength(1);
    expect(await onDisk('answers')).toHaveLength(0);
    expect(server.sent).toEqual([]);
    vi.stubGlobal('location', here);
  });

  test('of somebody else waits for that person', async () => {
    signedIn();
    await storage.events.putAll([{ ...waiting(), person: 'somebody else' }]);
    show(<Shell />);
    expect(await screen.findByText(/1 of somebody else’s wait here/)).toBeTruthy();
  });
});

describe('a new version of the application', () => {
  const waiting = Object.assign(new EventTarget(), { postMessage: vi.fn(), state: 'installed' });
  beforeEach(() => {
    waiting.postMessage.mockClear();
    waiting.state = 'installed';
    useNewVersion.setState({ waiting: waiting as unknown as ServiceWorker });
    vi.stubGlobal('navigator', Object.assign(Object.create(navigator), { serviceWorker: new EventTarget() }));
  });
  afterEach(() => {
    vi.useRealTimers();
    // It has begun: nothing asks it in any more.
    waiting.state = 'activated';
    useNewVersion.setState({ waiting: null });
    vi.unstubAllGlobals();
  });

  test('is let in by a tap', async () => {
    const { person } = show(<NewVersion atTable={false} />);
    await person.click(screen.getByRole('button', { name: 'Begin with it now' }));
    expect(waiting.postMessage).toHaveBeenCalledWith({ type: 'SKIP_WAITING' });
  });

  test('is asked in again until it has begun', () => {
    vi.useFakeTimers();
    const begin = vi.fn();
    letIn(waiting as unknown as ServiceWorker, begin);
    vi.advanceTimersByTime(2500);
    expect(waiting.postMessage).toHaveBeenCalledTimes(3);
    waiting.state = 'activating';
    vi.advanceTimersByTime(10_000);
    expect(waiting.postMessage).toHaveBeenCalledTimes(3);
    expect(begin).not.toHaveBeenCalled();
  });

  test('that never comes in does not keep the page from beginning anew', () => {
    vi.useFakeTimers();
    const begin = vi.fn();
    letIn(waiting as unknown as ServiceWorker, begin);
    vi.advanceTimersByTime(60_000);
    expect(waiting.postMessage).toHaveBeenCalledTimes(5);
    expect(begin).toHaveBeenCalledOnce();
  });

  test('waits at the table, and while events are in memory only', () => {
    const { unmount } = show(<NewVersion atTable />);
    expect(screen.getByRole('status')).toHaveWords(/waits until this visit is off the table/);
    expect(screen.queryByRole('button')).toBeNull();
    unmount();
    useOwnWork.setState({ unsaved: 1 });
    show(<NewVersion atTable={false} />);
    expect(screen.queryByRole('button')).toBeNull();
    useOwnWork.setState({ unsaved: 0 });
  });
});

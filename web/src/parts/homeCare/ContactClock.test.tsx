import { ENGLISH } from '@dewpond/core/wording';
import { act, cleanup, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ring } from '../../browser/ring';
import { show } from '../../tests/server';
import { ContactClock } from './ContactClock';

vi.mock('../../browser/ring', () => ({ ring: vi.fn() }));

beforeEach(() => {
  sessionStorage.clear();
  vi.mocked(ring).mockClear();
  vi.useFakeTimers({ shouldAdvanceTime: true });
});
afterEach(() => void vi.useRealTimers());

const open = () => show(<ContactClock dog="Teasel" minutes={10} words={ENGLISH.page} />, { path: '/owner' });
const pass = (seconds: number) => act(() => vi.advanceTimersByTimeAsync(seconds * 1000));

describe('the clock of a wash that stays on', () => {
  test('counts down, rings once when it is time to rinse, and is stopped by hand', async () => {
    const { person } = open();
    await person.click(screen.getByRole('button', { name: 'Start the clock: 10 minutes' }));
    await pass(4 * 60);
    expect(screen.getByRole('timer').textContent).toMatch(/^(6:00|5:5\d) still to wait$/);
    expect(ring).not.toHaveBeenCalled();
    await pass(6 * 60);
    expect(screen.getByRole('timer').textContent).toBe('Time is up: rinse now.');
    await pass(60);
    expect(ring).toHaveBeenCalledTimes(1);
    await person.click(screen.getByRole('button', { name: 'Stop the clock' }));
    expect(screen.getByRole('button', { name: 'Start the clock: 10 minutes' })).toBeTruthy();
  });

  test('runs on while the page is closed and opened again', async () => {
    const { person } = open();
    await person.click(screen.getByRole('button', { name: /Start the clock/ }));
    await pass(60);
    cleanup();
    await pass(120);
    open();
    expect(screen.getByRole('timer').textContent).toMatch(/^(7:00|6:5\d) still to wait$/);
  });
});

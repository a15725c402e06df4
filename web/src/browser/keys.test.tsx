import { act, fireEvent, render } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { useKeys, type Key } from './keys';

function Screen({ keys }: { readonly keys: readonly Key[] }) {
  useKeys(keys);
  return <input aria-label="words" />;
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const pedal = () => {
  const run = vi.fn();
  const held = vi.fn();
  render(<Screen keys={[{ keys: 'PageDown', does: 'done', run, held: { does: 'found', run: held } }]} />);
  return { run, held };
};

test('a pedal that is pressed and let go does one thing, held down the other, and never both', () => {
  const { run, held } = pedal();
  fireEvent.keyDown(document.body, { key: 'PageDown' });
  expect(run).not.toHaveBeenCalled();
  fireEvent.keyUp(document.body, { key: 'PageDown' });
  expect([run.mock.calls.length, held.mock.calls.length]).toEqual([1, 0]);
  fireEvent.keyDown(document.body, { key: 'PageDown' });
  act(() => void vi.advanceTimersByTime(700));
  fireEvent.keyUp(document.body, { key: 'PageDown' });
  expect([run.mock.calls.length, held.mock.calls.length]).toEqual([1, 1]);
});

test('what pages or presses in a dialog does nothing to the screen under it', () => {
  const run = vi.fn();
  const keys = [' ', 'Enter', 'PageDown', 'PageUp'].map((each): Key => ({ keys: each, does: 'done', run }));
  const { rerender } = render(
    <>
      <Screen keys={keys} />
      <div role="dialog">all steps</div>
    </>,
  );
  for (const { keys: key } of keys) fireEvent.keyDown(document.body, { key });
  expect(run).not.toHaveBeenCalled();
  rerender(<Screen keys={keys} />);
  fireEvent.keyDown(document.body, { key: 'PageDown' });
  expect(run).toHaveBeenCalledTimes(1);
});

test('a key that stays down is one press, whatever the keyboard repeats', () => {
  const run = vi.fn();
  render(<Screen keys={[{ keys: ' ', does: 'done', run }]} />);
  fireEvent.keyDown(document.body, { key: ' ' });
  for (let i = 0; i < 20; i++) fireEvent.keyDown(document.body, { key: ' ', repeat: true });
  expect(run).toHaveBeenCalledTimes(1);
});

import { cut, findWhite, measureColour, type Spot } from '@dewpond/core/colour';
import { screen, waitFor } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';
import { afterEach, expect, test, vi } from 'vitest';
import { ColourDialog } from './ColourDialog';
import type { ColourReader } from './colourReader';
import { SameAngle } from './SameAngle';
import { smallEnough } from './smallEnough';
import { show } from '../../tests/server';

afterEach(() => vi.unstubAllGlobals());

const WIDTH = 280;
const HEIGHT = 210;
/** A brown picture with a pale spot in the middle, and a white pad at the left unless it is left out. */
function drawn(pad: readonly [number, number, number] | null): Spot {
  const rgba = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const inPad = pad && Math.hypot(x - 60, y - 60) < 40;
      const colour = inPad ? pad : Math.hypot(x - 140, y - 105) < 30 ? [150, 90, 80] : [20, 16, 14];
      rgba.set([...colour, 255], 4 * (y * WIDTH + x));
    }
  return { width: WIDTH, height: HEIGHT, rgba };
}

/** What the worker does, done here. */
const reading = (picture: Spot): ColourReader => ({
  white: Promise.resolve(findWhite(picture)),
  measure: (white, spot) => Promise.resolve(measureColour({ white: cut(picture, white), spot: cut(picture, spot) })),
  close: () => undefined,
});
const picture = new Blob(['x'], { type: 'image/jpeg' });
const PALE = { of: 'skin', lab: { l: 70, a: 4, b: 12 }, plusMinus: { l: 3, a: 2, b: 2 } } as const;

function measuring(its: Spot, before: typeof PALE | null = null) {
  const onKeep = vi.fn<(reading: unknown) => void>();
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined }));
  const shown = show(
    <ColourDialog
      picture={picture}
      place="left ear"
      of="skin"
      before={before && { colour: before, day: 'Mon 2 Mar' }}
      onKeep={onKeep}
      onClose={() => undefined}
      open={() => reading(its)}
    />,
    { path: '/', at: '/' },
  );
  return { ...shown, onKeep };
}
async function tapAt(person: UserEvent, clientX: number, clientY: number) {
  const target = screen.getByRole('application');
  target.getBoundingClientRect = () => ({ left: 0, top: 0, width: WIDTH, height: HEIGHT }) as DOMRect;
  await person.pointer({ keys: '[MouseLeft]', target, coords: { clientX, clientY } });
}
const keep = () => screen.findByRole<HTMLButtonElement>('button', { name: 'Keep beside the grade' });

test('the white is found, the spot measured with what it may be off, told against last time, kept to a tenth', async () => {
  const { person, onKeep } = measuring(drawn([225, 225, 225]), PALE);
  await waitFor(async () => expect((await keep()).disabled).toBe(false));
  expect(screen.getByText(/^\d+ ± \d+$/)).toBeTruthy();
  expect(screen.getByLabelText('Against Mon 2 Mar').textContent).toBe('Redder than on Mon 2 Mar.');
  await person.click(await keep());
  const [[kept]] = onKeep.mock.calls as [[typeof PALE]];
  expect(kept.of).toBe('skin');
  for (const figure of Object.values(kept.lab)) expect(figure * 10).toBeCloseTo(Math.round(figure * 10), 9);
});

test('without a white nothing is measured, and it says what to do; a dark coat is no white either', async () => {
  const { person } = measuring(drawn(null));
  expect((await screen.findByRole('alert')).textContent).toMatch(/Lay a white pad or card beside it/);
  expect((await keep()).disabled).toBe(true);
  await person.click(screen.getByRole('button', { name: 'White pad or card' }));
  await tapAt(person, 20, 180);
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/too dark to go by/));
  expect((await keep()).disabled).toBe(true);
});

test('a green towel is no white; the circle goes where the arrow keys take it', async () => {
  const { person } = measuring(drawn([90, 210, 100]));
  await person.click(await screen.findByRole('button', { name: 'White pad or card' }));
  await tapAt(person, 60, 60);
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/No lamp makes white look like this/));
  // Thirty presses of an arrow key take it off the towel, to what is dark.
  screen.getByRole('application').focus();
  await person.keyboard('{ArrowDown>30/}');
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/too dark to go by/));
});

test('an old browser says that it cannot, at once', async () => {
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined }));
  const nothing = () => undefined;
  show(<ColourDialog picture={picture} place="ear" of="skin" before={null} onKeep={nothing} onClose={nothing} />, {
    path: '/',
    at: '/',
  });
  expect((await screen.findByRole('alert')).textContent).toMatch(/its browser is too old/);
  expect((await keep()).disabled).toBe(true);
});

test('so different from last time: whether it is the same dog is asked', async () => {
  const bright = { ...PALE, lab: { l: 97, a: 1, b: 2 } };
  measuring(drawn([225, 225, 225]), bright as unknown as typeof PALE);
  expect((await screen.findByLabelText('Against Mon 2 Mar')).textContent).toMatch(/Is it the same dog/);
});

/** The head of a PNG that says so many points. */
function png(width: number, height: number): File {
  const head = new DataView(new ArrayBuffer(33));
  for (const [i, byte] of [137, 80, 78, 71, 13, 10, 26, 10].entries()) head.setUint8(i, byte);
  head.setUint32(8, 13);
  for (const [i, letter] of [...'IHDR'].entries()) head.setUint8(12 + i, letter.charCodeAt(0));
  head.setUint32(16, width);
  head.setUint32(20, height);
  return new File([head.buffer], 'large.png', { type: 'image/png' });
}

test('a picture of a hundred million points is refused before it is opened', async () => {
  const opens = vi.fn<() => Promise<never>>().mockRejectedValue(new Error('no'));
  vi.stubGlobal('createImageBitmap', opens);
  await expect(smallEnough(png(12_000, 9_000))).rejects.toThrow(/12000 × 9000 points, too many for this device/);
  expect(opens).not.toHaveBeenCalled();
  await expect(smallEnough(png(4_000, 3_000))).rejects.toThrow(/no picture this device can open/);
  expect(opens).toHaveBeenCalledOnce();
});

test('a camera that is not allowed, or not there, says what to do instead', async () => {
  const asked = (error: Error) => {
    vi.stubGlobal('navigator', { ...navigator, mediaDevices: { getUserMedia: () => Promise.reject(error) } });
    return show(
      <SameAngle
        place="left eye"
        ghost={{ src: '/api/photos/x', of: 'Mon 2 Mar' }}
        onTaken={() => undefined}
        onClose={() => undefined}
      />,
      { path: '/', at: '/' },
    );
  };
  const { unmount } = asked(new DOMException('no', 'NotAllowedError'));
  expect((await screen.findByRole('alert')).textContent).toMatch(/not allowed here/);
  unmount();
  asked(new DOMException('no', 'NotFoundError'));
  expect((await screen.findByRole('alert')).textContent).toMatch(/No camera answers/);
});

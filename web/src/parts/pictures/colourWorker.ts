import { findWhite, measureColour, squareOf, type Circle, type Spot } from '@dewpond/core/colour';
import type { ColourAnswered, ColourAsked } from './colourReader';

/** Points along the shorter side that are enough to find the white, and along the side of a spot to tell its colour. */
const TO_FIND = 180;
const OF_A_SPOT = 160;

let opened: ImageBitmap | null = null;

const answer = (told: ColourAnswered) => self.postMessage(told);

/** A part of the picture, made no larger than `longest` points on a side. */
function pointsOf(
  picture: ImageBitmap,
  part: Readonly<Record<'left' | 'top' | 'width' | 'height', number>>,
  scale: number,
): Spot {
  const width = Math.max(1, Math.round(part.width * scale));
  const height = Math.max(1, Math.round(part.height * scale));
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context || part.width === 0 || part.height === 0) return { width: 0, height: 0, rgba: new Uint8ClampedArray() };
  context.drawImage(picture, part.left, part.top, part.width, part.height, 0, 0, width, height);
  return { width, height, rgba: context.getImageData(0, 0, width, height).data };
}

function spotAt(picture: ImageBitmap, circle: Circle): Spot {
  const part = squareOf(circle, picture.width, picture.height);
  return pointsOf(picture, part, Math.min(1, OF_A_SPOT / Math.max(part.width, part.height)));
}

async function open(blob: Blob): Promise<void> {
  try {
    opened = await createImageBitmap(blob, { imageOrientation: 'from-image' });
  } catch {
    answer({ kind: 'not opened' });
    return;
  }
  const { width, height } = opened;
  const whole = { left: 0, top: 0, width, height };
  const small = pointsOf(opened, whole, Math.min(1, TO_FIND / Math.min(width, height)));
  answer({ kind: 'opened', white: findWhite(small) });
}

self.onmessage = ({ data }: MessageEvent<ColourAsked>) => {
  if (data.kind === 'open') void open(data.picture);
  else if (opened) {
    const measurement = measureColour({ white: spotAt(opened, data.white), spot: spotAt(opened, data.spot) });
    answer({ kind: 'measured', n: data.n, measurement });
  }
};

import { assertOpenable } from './pointsOf';

/** Long side of a picture as it is kept and sent, pixels. */
const LONG_SIDE = 1600;

/**
 * A camera's picture made small enough for a van's signal and a tablet's disk. Throws in words when the file is no
 * picture, or larger than this device can open.
 */
export async function smallEnough(file: File): Promise<Blob> {
  await assertOpenable(file);
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error(`“${file.name}” is no picture this device can open. Nothing was added.`);
  });
  const scale = Math.min(1, LONG_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('This picture is too large for this device.'))),
      'image/jpeg',
      0.82,
    ),
  );
}

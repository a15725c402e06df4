/** More than this is too much for a tablet's memory: four bytes a point. */
const MOST_POINTS = 60_000_000;
/** The size of a picture stands near its beginning. */
const HEAD = 512 * 1024;

/**
 * Throws, in words, where a picture has more points than this device should open; read from its head, before it is opened.
 * What is no known picture passes: opening it says so.
 */
export async function assertOpenable(file: File): Promise<void> {
  const { imageSize } = await import('image-size');
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  let size;
  try {
    size = imageSize(head);
  } catch {
    return;
  }
  if (size.width * size.height > MOST_POINTS)
    throw new Error(
      `“${file.name}” has ${size.width} × ${size.height} points, too many for this device. Set the camera to a smaller size. Nothing was added.`,
    );
}

import { renderToBuffer } from '@react-pdf/renderer';
import { loadFonts } from './fonts';

/** A document as a file. */
export async function draw(document: Parameters<typeof renderToBuffer>[0]): Promise<Buffer> {
  await loadFonts();
  return renderToBuffer(document);
}

import { renderToBuffer } from '@react-pdf/renderer';
import { loadFonts } from './fonts';

type PdfDocument = Parameters<typeof renderToBuffer>[0];

/** A document as a file. */
export async function draw(document: PdfDocument): Promise<Buffer> {
  await loadFonts();
  return renderToBuffer(document);
}

/** Sizes of letters on paper that are read without effort, largest first, pt. */
const SIZES = [10, 9.25, 8.5] as const;

/** The same on one page, in the largest letters with which it is one; in large ones on several where no size will do. */
export async function drawOnOnePage(inSize: (fontSize: number) => PdfDocument): Promise<Buffer> {
  const [largest, ...smaller] = SIZES;
  const large = await draw(inSize(largest));
  if (pagesOf(large) === 1) return large;
  for (const size of smaller) {
    const drawn = await draw(inSize(size));
    if (pagesOf(drawn) === 1) return drawn;
  }
  return large;
}

/** Pages as the file itself names them (ISO 32000-1, 7.7.3.3). */
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

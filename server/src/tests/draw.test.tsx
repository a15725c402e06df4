import { Document, Page, Text } from '@react-pdf/renderer';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, test } from 'vitest';
import { draw } from '../platform/pdf/draw';
import { SHEET_FONTS } from '../platform/pdf/fonts';

const page = (words: string) => (
  <Document>
    <Page size="A6" style={{ fontFamily: SHEET_FONTS }}>
      <Text>{words}</Text>
    </Page>
  </Document>
);

/** The words a reader, a search or a screen reader finds in a file. */
async function wordsOf(pdf: Buffer): Promise<string> {
  const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const { items } = await (await read.getPage(1)).getTextContent();
  return items.map((item) => ('str' in item ? item.str : '')).join('');
}

test('a letter can be read whatever was drawn before it, also where an accented one stands on it', async () => {
  expect(await wordsOf(await draw(page('Ráðhýsi')))).toBe('Ráðhýsi');
  expect(await wordsOf(await draw(page('Discard by end of day')))).toBe('Discard by end of day');
});

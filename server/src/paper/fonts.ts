import { createRequire } from 'node:module';
import { Font } from '@react-pdf/renderer';

const require = createRequire(import.meta.url);
const file = (subset: string, weight: number) =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
  );

/** Two families, since a font file holds one script: the second stands in for letters the first lacks. */
export const SHEET_FONTS = ['Atkinson', 'Atkinson Ext'];

let registered = false;
export function registerFonts(): void {
  if (registered) return;
  for (const [family, subset] of [
    ['Atkinson', 'latin'],
    ['Atkinson Ext', 'latin-ext'],
  ] as const) {
    Font.register({ family, fonts: [400, 700].map((fontWeight) => ({ src: file(subset, fontWeight), fontWeight })) });
  }
  // Long words are broken by hand, see `breakable`; never at a hyphen the owner did not write.
  Font.registerHyphenationCallback((word) => [word]);
  registered = true;
}

/** Lets an over-long word break, so that it stays on the page. */
export const breakable = (text: string): string => text.replaceAll(/\S{30}(?=\S)/g, (run) => `${run}\u200B`);

import { createRequire } from 'node:module';
import { Font } from '@react-pdf/renderer';

const require = createRequire(import.meta.url);

/**
 * A font file holds one script: each stands in for letters that those before it lack, so that a name is printed as it
 * is written.
 */
const SCRIPTS = [
  ['Atkinson', 'atkinson-hyperlegible-next', 'latin'],
  ['Atkinson Ext', 'atkinson-hyperlegible-next', 'latin-ext'],
  ['Greek', 'noto-sans', 'greek'],
  ['Cyrillic', 'noto-sans', 'cyrillic'],
  ['Vietnamese', 'noto-sans', 'vietnamese'],
  ['Devanagari', 'noto-sans', 'devanagari'],
  ['Hebrew', 'noto-sans-hebrew', 'hebrew'],
  ['Arabic', 'noto-sans-arabic', 'arabic'],
  ['Emoji', 'noto-emoji', 'emoji'],
] as const;
export const SHEET_FONTS: string[] = SCRIPTS.map(([family]) => family);

let registered = false;
export function registerFonts(): void {
  if (registered) return;
  for (const [family, from, subset] of SCRIPTS) {
    const file = (weight: number) =>
      require.resolve(`@fontsource/${from}/files/${from}-${subset}-${weight}-normal.woff`);
    Font.register({ family, fonts: [400, 700].map((fontWeight) => ({ src: file(fontWeight), fontWeight })) });
  }
  // Long words are broken by hand, see `breakable`; never at a hyphen the owner did not write.
  Font.registerHyphenationCallback((word) => [word]);
  registered = true;
}

/** Lets an over-long word break, so that it stays on the page. */
export const breakable = (text: string): string => text.replaceAll(/\S{30}(?=\S)/g, (run) => `${run}\u200B`);

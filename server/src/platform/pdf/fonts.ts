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

const WEIGHTS = [400, 700] as const;

function registerFonts(): void {
  for (const [family, from, subset] of SCRIPTS) {
    const file = (weight: number) =>
      require.resolve(`@fontsource/${from}/files/${from}-${subset}-${weight}-normal.woff`);
    Font.register({ family, fonts: WEIGHTS.map((fontWeight) => ({ src: file(fontWeight), fontWeight })) });
  }
  // Long words are broken by hand, see `breakable`; never at a hyphen the owner did not write.
  Font.registerHyphenationCallback((word) => [word]);
}

/**
 * Reads the fonts, once in a thread.
 *
 * A font remembers of each shape the letter it was first asked for as. "ý" is drawn from the shape of "y" without
 * saying that it is a "y"; every later file would then show the "y" and hold no letter for it, so that it could
 * neither be searched, copied nor read aloud. So each letter is asked for by name before anything is drawn.
 */
export const loadFonts = (): Promise<void> => (loading ??= load());
let loading: Promise<void> | undefined;

/** What of a font is asked for here; the types of the font's package are not ours to see. */
interface Letters {
  readonly characterSet: readonly number[];
  glyphForCodePoint(letter: number): unknown;
}

async function load(): Promise<void> {
  registerFonts();
  for (const fontFamily of SHEET_FONTS) {
    for (const fontWeight of WEIGHTS) {
      await Font.load({ fontFamily, fontWeight });
      const font = Font.getFont({ fontFamily, fontWeight })?.data as Letters | null;
      for (const letter of font?.characterSet ?? []) font?.glyphForCodePoint(letter);
    }
  }
}

/** Lets an over-long word break, so that it stays on the page. */
export const breakable = (text: string): string => text.replaceAll(/\S{30}(?=\S)/g, (run) => `${run}\u200B`);

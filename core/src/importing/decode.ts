/** A file as text, or why it cannot be one, in words. */
export type Decoded =
  | { readonly kind: 'text'; readonly text: string; readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252' }
  | { readonly kind: 'refused'; readonly words: string };

/** First bytes of files that are often renamed by mistake. */
const NOT_TEXT: readonly (readonly [first: readonly number[], what: string])[] = [
  [[0x89, 0x50, 0x4e, 0x47], 'a picture (PNG)'],
  [[0xff, 0xd8, 0xff], 'a photo (JPEG)'],
  [[0x47, 0x49, 0x46, 0x38], 'a picture (GIF)'],
  [[0x52, 0x49, 0x46, 0x46], 'a picture or a sound'],
  [[0x25, 0x50, 0x44, 0x46], 'a PDF'],
  [[0x50, 0x4b, 0x03, 0x04], 'a workbook or a packed folder; save it as CSV first'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'an old workbook; save it as CSV first'],
];

const startsWith = (bytes: Uint8Array, first: readonly number[]) => first.every((byte, i) => bytes[i] === byte);

/**
 * Bytes of a text file of unknown encoding: UTF-8 with or without BOM, UTF-16 with BOM, else Windows-1252, which
 * includes Latin-1. What is no text is refused by name.
 */
export function decodeText(bytes: Uint8Array): Decoded {
  if (bytes.length === 0) return { kind: 'refused', words: 'The file is empty.' };
  const wrong = NOT_TEXT.find(([first]) => startsWith(bytes, first));
  if (wrong) return { kind: 'refused', words: `That is ${wrong[1]}, not a table of text.` };
  if (startsWith(bytes, [0xff, 0xfe]) || startsWith(bytes, [0xfe, 0xff])) {
    const label = bytes[0] === 0xff ? 'utf-16le' : 'utf-16be';
    return { kind: 'text', text: new TextDecoder(label).decode(bytes), encoding: 'UTF-16' };
  }
  if (bytes.includes(0)) return { kind: 'refused', words: 'That is no text: it holds bytes no letter has.' };
  try {
    return { kind: 'text', text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { kind: 'text', text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
  }
}

const ENTITIES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (words: string): string => words.replace(/[&<>"']/g, (sign) => ENTITIES[sign] ?? sign);

/** An address within a sentence, without the full stop behind it. */
const ADDRESS = /https?:\/\/[^\s<>"']*[^\s<>"'.,;:!?)]/g;

/**
 * The same words for a program that shows HTML: large enough to read, addresses to tap, and nothing besides. No picture is
 * fetched, so nobody learns when it was opened.
 */
export function asHtml(words: string, language = ''): string {
  const paragraphs = words
    .split(/\n{2,}/)
    .map((each) => `<p>${linked(each).replaceAll('\n', '<br>')}</p>`)
    .join('\n');
  const lang = /^[a-z]{2}(-[A-Z]{2})?$/.test(language) ? ` lang="${language}"` : '';
  return `<!doctype html>\n<html${lang}><head><meta charset="utf-8"></head>\n<body style="font: 17px/1.5 sans-serif; max-width: 36em">\n${paragraphs}\n</body></html>\n`;
}

function linked(words: string): string {
  let at = 0;
  let html = '';
  for (const { 0: address, index } of words.matchAll(ADDRESS)) {
    html += `${escaped(words.slice(at, index))}<a href="${escaped(address)}">${escaped(address)}</a>`;
    at = index + address.length;
  }
  return html + escaped(words.slice(at));
}

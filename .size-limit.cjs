/**
 * What a browser takes before somebody can sign in, and before Today can be used: page, scripts, styles and the font of
 * Latin letters, in bytes as they are served. Answers of the server come on top (some eight kilobytes).
 */
const { existsSync, readFileSync } = require('node:fs');

const DIST = 'web/dist/';
/** @typedef {{ file: string, imports?: string[], css?: string[], assets?: string[] }} Chunk */
/** @type {Record<string, Chunk>} */
const chunks = JSON.parse(readFileSync(`${DIST}.vite/manifest.json`, 'utf8'));

/** Files of some chunks, and of all that they import. @param {string[]} names */
function filesOf(names) {
  const found = new Set(['index.html']);
  const seen = new Set();
  /** @param {string} name */
  const visit = (name) => {
    if (seen.has(name)) return;
    seen.add(name);
    const { file, imports = [], css = [], assets = [] } = chunks[name];
    for (const each of [file, ...css, ...assets.filter((asset) => !asset.includes('latin-ext'))]) found.add(each);
    imports.forEach(visit);
  };
  names.forEach(visit);
  return [...found].map((file) => (existsSync(`${DIST}${file}.br`) ? `${DIST}${file}.br` : `${DIST}${file}`));
}

const SIGNED_OUT = ['index.html'];
const TODAY = [...SIGNED_OUT, 'src/app/Rooms.tsx', 'src/features/today/TodayScreen.tsx'];

module.exports = [
  { name: 'signed out, as served', path: filesOf(SIGNED_OUT), limit: '200 kB', brotli: false },
  { name: 'Today, as served', path: filesOf(TODAY), limit: '240 kB', brotli: false },
];

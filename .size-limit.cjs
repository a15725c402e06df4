/**
 * What a browser takes before somebody can sign in, before an owner can read their page, and before Today can be used: page, scripts, styles and the font of
 * Latin letters, in bytes as they are served. Answers of the server come on top (some eight kilobytes).
 */
const { existsSync, readFileSync } = require('node:fs');

const DIST = 'web/dist/';
/** @typedef {{ file: string, imports?: string[], css?: string[], assets?: string[] }} Chunk */
const OWNERS = `${DIST}of-owner/`;

/**
 * The page, and the files of some chunks and of all that they import.
 * @param {string} html @param {string[]} names @param {string} folder
 */
function filesOf(html, names, folder = DIST) {
  /** @type {Record<string, Chunk>} */
  const chunks = JSON.parse(readFileSync(`${folder}.vite/manifest.json`, 'utf8'));
  const found = new Set([html]);
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
  return [...found].map((file) => (existsSync(`${folder}${file}.br`) ? `${folder}${file}.br` : `${folder}${file}`));
}

const SIGNED_OUT = ['index.html'];
const TODAY = [...SIGNED_OUT, 'src/app/Rooms.tsx', 'src/features/today/TodayScreen.tsx'];

module.exports = [
  { name: 'signed out, as served', path: filesOf('index.html', SIGNED_OUT), limit: '200 kB', brotli: false },
  {
    name: 'the owner’s page until it can be read, as served',
    path: filesOf('owner.html', ['owner.html'], OWNERS),
    limit: '120 kB',
    brotli: false,
  },
  { name: 'Today, as served', path: filesOf('index.html', TODAY), limit: '240 kB', brotli: false },
];

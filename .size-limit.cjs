/** First load of the application: what index.html pulls in before any screen is chosen. Fonts are apart. */
const { existsSync, readFileSync } = require('node:fs');

const page = readFileSync('web/dist/index.html', 'utf8');
const first = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.(?:js|css))"/g)].map(([, file]) => `web/dist/${file}`);

/** @param {string} file */
const asServed = (file) => (existsSync(`${file}.br`) ? `${file}.br` : file);

module.exports = [{ name: 'first load, as served', path: first.map(asServed), limit: '200 kB', brotli: false }];

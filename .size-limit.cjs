/** First load of the application: what index.html pulls in before any screen is chosen. Fonts are apart. */
const { readFileSync } = require('node:fs');

const page = readFileSync('web/dist/index.html', 'utf8');
const first = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.(?:js|css))"/g)].map(([, file]) => `web/dist/${file}`);

module.exports = [{ name: 'first load, gzipped', path: first, limit: '230 kB', gzip: true }];

import { readdirSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { quantile, report, round } from './report';
import { base } from './signedIn';

/** Colour of a photograph of 12 megapixels in the worker of the application: opened, its white found, a spot measured. */
const RUNS = 9;

const worker = readdirSync(new URL('../web/dist/assets', import.meta.url)).find((name) =>
  /^colourWorker-.*\.js$/.test(name),
);
if (!worker) throw new Error('The worker is not in the built application. Run “npm run build” first.');
const browser = await chromium.launch({
  executablePath: process.env['BROWSER_PATH'] ?? '',
  args: ['--no-sandbox', '--disable-gpu'],
});
const page = await browser.newPage();
await page.goto(base);
const times = await page.evaluate(
  async ({ address, runs }) => {
    const canvas = new OffscreenCanvas(4000, 3000);
    const context = canvas.getContext('2d');
    if (!context) throw new Error('No canvas.');
    context.fillStyle = '#cdbfa8';
    context.fillRect(0, 0, 4000, 3000);
    // Hair: a photograph is not one colour, and takes its time to be read.
    for (let i = 0; i < 60_000; i++) {
      context.strokeStyle = `hsl(${30 + Math.random() * 12} 30% ${45 + Math.random() * 35}%)`;
      context.beginPath();
      const [x, y] = [Math.random() * 4000, Math.random() * 3000];
      context.moveTo(x, y);
      context.lineTo(x + Math.random() * 60 - 30, y + 80);
      context.stroke();
    }
    context.fillStyle = '#e2e2e0';
    context.arc(900, 2200, 420, 0, 7);
    context.fill();
    const picture = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 });
    const told: { opened: number; measured: number; bytes: number }[] = [];
    for (let run = 0; run < runs; run++) {
      const began = performance.now();
      const its = new Worker(address, { type: 'module' });
      // Inline, both times: a function with a name does not cross into the page.
      its.postMessage({ kind: 'open', picture });
      const { white } = await new Promise<{ white?: unknown }>((resolve, reject) => {
        its.onmessage = ({ data }: MessageEvent<{ white?: unknown }>) => resolve(data);
        its.onerror = () => reject(new Error('The worker did not start.'));
      });
      if (!white) throw new Error('No white was found.');
      const opened = performance.now() - began;
      its.postMessage({ kind: 'measure', n: 1, white, spot: { x: 0.6, y: 0.4, radius: 0.035 } });
      const { measurement } = await new Promise<{ measurement: { kind: string } }>((resolve) => {
        its.onmessage = ({ data }: MessageEvent<{ measurement: { kind: string } }>) => resolve(data);
      });
      if (measurement.kind !== 'measured') throw new Error('Nothing was measured.');
      told.push({ opened, measured: performance.now() - began, bytes: picture.size });
      its.terminate();
    }
    return told;
  },
  { address: `/assets/${worker}`, runs: RUNS },
);
await browser.close();
const middle = (of: (run: (typeof times)[number]) => number) => round(quantile(times.map(of), 0.5), 0);
report('colour', [
  {
    what: `12 megapixels, ${round((times[0]?.bytes ?? 0) / 1e6, 1)} MB`,
    'ms to the white, median': middle(({ opened }) => opened),
    'ms to the colour, median': middle(({ measured }) => measured),
    'ms to the colour, slowest': round(Math.max(...times.map(({ measured }) => measured)), 0),
  },
]);

import type { Circle, Measurement } from '@dewpond/core/colour';

/** One picture whose colours can be measured, on this device; nothing of it is sent. */
export interface ColourReader {
  /** Where its white probably is; null: nowhere. Rejects where the picture cannot be opened. */
  readonly white: Promise<Circle | null>;
  readonly measure: (white: Circle, spot: Circle) => Promise<Measurement>;
  readonly close: () => void;
}

export type ColourAsked =
  | { readonly kind: 'open'; readonly picture: Blob }
  | { readonly kind: 'measure'; readonly n: number; readonly white: Circle; readonly spot: Circle };

export type ColourAnswered =
  | { readonly kind: 'opened'; readonly white: Circle | null }
  | { readonly kind: 'not opened' }
  | { readonly kind: 'measured'; readonly n: number; readonly measurement: Measurement };

/** Whether this browser draws pictures in a worker: those of before 2023 may not. */
const canReadColours = (): boolean => typeof Worker !== 'undefined' && typeof OffscreenCanvas !== 'undefined';

/** Opens a picture in a worker of its own. */
export function readInWorker(picture: Blob): ColourReader {
  if (!canReadColours()) return cannot();
  const worker = new Worker(new URL('./colourWorker.ts', import.meta.url), { type: 'module' });
  const waiting = new Map<number, (measurement: Measurement) => void>();
  let asked = 0;
  const ask = (question: ColourAsked) => worker.postMessage(question);
  const white = new Promise<Circle | null>((resolve, reject) => {
    worker.onmessage = ({ data }: MessageEvent<ColourAnswered>) => {
      if (data.kind === 'opened') resolve(data.white);
      else if (data.kind === 'not opened') reject(new Error('This picture cannot be opened on this device.'));
      else waiting.get(data.n)?.(data.measurement);
    };
    worker.onerror = () => reject(new Error('Colours cannot be measured on this device.'));
  });
  ask({ kind: 'open', picture });
  return {
    white,
    measure: (pad, spot) =>
      new Promise((resolve) => {
        const n = (asked += 1);
        waiting.set(n, (measurement) => {
          waiting.delete(n);
          resolve(measurement);
        });
        ask({ kind: 'measure', n, white: pad, spot });
      }),
    close: () => worker.terminate(),
  };
}

const NOT_HERE = 'Colours cannot be measured on this device: its browser is too old.';

const cannot = (): ColourReader => ({
  white: Promise.reject(new Error(NOT_HERE)),
  measure: () => Promise.reject(new Error(NOT_HERE)),
  close: () => undefined,
});

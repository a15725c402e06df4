import type { MatchedRow } from '@dewpond/core/importing';
import { useEffect, useMemo } from 'react';
import type { ImportAsked } from './importWorker';
import { openFile, previewRows, type OpenedFile, type PreviewAsked } from './readFile';

interface Reader {
  readonly open: (bytes: Uint8Array) => Promise<OpenedFile>;
  readonly preview: (asked: PreviewAsked) => Promise<readonly MatchedRow[]>;
  readonly close: () => void;
}

/** Reads files in a worker, so that 20,000 rows do not hold the screen; where there is none, here. */
export function useImportReader(): Reader {
  const reader = useMemo(() => (typeof Worker === 'undefined' ? readHere() : readInWorker()), []);
  useEffect(() => reader.close, [reader]);
  return reader;
}

function readHere(): Reader {
  let opened: OpenedFile = { kind: 'refused', words: 'No file yet.' };
  return {
    open: (bytes) => Promise.resolve((opened = openFile(bytes))),
    preview: (asked) => Promise.resolve(opened.kind === 'refused' ? [] : previewRows(opened, asked)),
    close: () => undefined,
  };
}

function readInWorker(): Reader {
  let worker: Worker | null = null;
  const started = () => (worker ??= new Worker(new URL('./importWorker.ts', import.meta.url), { type: 'module' }));
  // Answers come in the order of the questions.
  const ask = <T>(question: ImportAsked): Promise<T> =>
    new Promise((done, fail) => {
      const to = started();
      const answered = ({ data }: MessageEvent<T>) => {
        to.removeEventListener('message', answered);
        done(data);
      };
      to.addEventListener('message', answered);
      to.addEventListener('error', () => fail(new Error('The file could not be read.')), { once: true });
      to.postMessage(question);
    });
  return {
    open: (bytes) => ask({ kind: 'open', bytes }),
    preview: (asked) => ask({ kind: 'preview', asked }),
    close: () => {
      worker?.terminate();
      worker = null;
    },
  };
}

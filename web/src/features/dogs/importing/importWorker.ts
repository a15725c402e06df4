import { openFile, previewRows, type OpenedFile, type PreviewAsked } from './readFile';

export type ImportAsked =
  { readonly kind: 'open'; readonly bytes: Uint8Array } | { readonly kind: 'preview'; readonly asked: PreviewAsked };

let opened: OpenedFile = { kind: 'refused', words: 'No file yet.' };

self.onmessage = ({ data }: MessageEvent<ImportAsked>) => {
  if (data.kind === 'open') {
    opened = openFile(data.bytes);
    self.postMessage(opened);
  } else self.postMessage(opened.kind === 'refused' ? [] : previewRows(opened, data.asked));
};

import { Download } from 'lucide-react';
import type { ReactNode } from 'react';
import { May } from './May';

/** A table of the book as a file, for whoever may take it out. */
export const ExportLink = ({ file, children }: { readonly file: string; readonly children: ReactNode }) => (
  <May deed="export">
    <a
      href={`/api/export/${file}`}
      download
      className="no-print rounded-xl border border-line font-semibold px-4 min-h-11 inline-flex items-center gap-2 hover:bg-pond-pale"
    >
      <Download size={18} aria-hidden /> {children}
    </a>
  </May>
);

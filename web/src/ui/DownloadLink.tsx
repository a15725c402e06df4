import { Download } from 'lucide-react';
import type { ReactNode } from 'react';

/** A file to take with you. */
export const DownloadLink = ({ href, children }: { readonly href: string; readonly children: ReactNode }) => (
  <a
    href={href}
    download
    className="no-print rounded-xl border border-line font-semibold px-4 min-h-11 inline-flex items-center gap-2 whitespace-nowrap hover:bg-pond-pale"
  >
    <Download size={18} aria-hidden className="shrink-0" /> {children}
  </a>
);

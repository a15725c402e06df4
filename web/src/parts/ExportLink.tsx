import type { ReactNode } from 'react';
import { DownloadLink } from '../ui/DownloadLink';
import { May } from './May';

/** A table of the book as a file, for whoever may take it out. */
export const ExportLink = ({ file, children }: { readonly file: string; readonly children: ReactNode }) => (
  <May deed="export">
    <DownloadLink href={`/api/export/${file}`}>{children}</DownloadLink>
  </May>
);

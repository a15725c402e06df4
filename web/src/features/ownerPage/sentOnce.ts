import { v7 } from 'uuid';

/** A file that is on its way, and the id it goes under. */
export interface OnItsWay {
  readonly file: string;
  readonly id: string;
}

const nameOf = ({ name, size, lastModified }: Pick<File, 'name' | 'size' | 'lastModified'>): string =>
  `${name} ${size} ${lastModified}`;

/** The same file chosen again after an answer that never came goes under the same id: it is kept once. */
export const onItsWay = (before: OnItsWay | null, file: Pick<File, 'name' | 'size' | 'lastModified'>): OnItsWay =>
  before?.file === nameOf(file) ? before : { file: nameOf(file), id: v7() };

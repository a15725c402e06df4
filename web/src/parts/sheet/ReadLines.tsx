import type { ReadSheet, Section } from '@dewpond/core/sheet';
import { Ripple } from '../../ui/Ripple';

interface ReadLinesProps {
  readonly read: ReadSheet;
  readonly section: Section;
  /** Said where the section is empty; left out: nothing is. */
  readonly nothing?: string;
}

/** One section of a sheet, to be read. */
export function ReadLines({ read, section, nothing }: ReadLinesProps) {
  const lines = read.parts.find((part) => part.section === section)?.lines ?? [];
  return (
    <ul className="flex flex-col gap-1.5">
      {lines.map(({ key, grade, words }) => (
        <li key={key} className="flex items-center gap-2.5">
          {grade !== null && <Ripple grade={grade} size={38} silent />}
          <span className="min-w-0 break-words">{words}</span>
        </li>
      ))}
      {lines.length === 0 && nothing !== undefined && <li className="text-soft">{nothing}</li>}
    </ul>
  );
}

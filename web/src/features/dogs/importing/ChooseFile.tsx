import { FileUp } from 'lucide-react';
import { useState, type DragEvent } from 'react';
import { classes } from '../../../ui/classes';
import type { ChosenFile } from './readFile';
import { tooLarge } from './readFile';
import type { useImportReader } from './useImportReader';

interface ChooseFileProps {
  readonly reader: ReturnType<typeof useImportReader>;
  readonly onOpened: (file: ChosenFile) => void;
}

/** A place to drop a file on, or to tap and choose one. What cannot be read is said, and nothing else happens. */
export function ChooseFile({ reader, onOpened }: ChooseFileProps) {
  const [words, setWords] = useState<string | null>(null);
  const [over, setOver] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const refused = tooLarge(file.size);
    if (refused) {
      setWords(refused);
      return;
    }
    setWords('Reading…');
    const opened = await reader.open(new Uint8Array(await file.arrayBuffer()));
    if (opened.kind === 'refused') setWords(`${file.name}: ${opened.words} Nothing was imported.`);
    else onOpened({ name: file.name, opened });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0]);
  };
  return (
    <>
      <label
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        className={classes(
          'flex flex-col items-center justify-center gap-2 rounded-card border-2 border-dashed min-h-44 cursor-pointer text-center px-4 focus-within:border-pond',
          over ? 'border-pond bg-pond-pale' : 'border-line hover:border-pond',
        )}
      >
        <FileUp size={30} aria-hidden className="text-pond" />
        <span className="font-semibold">Choose a file, or drop it here</span>
        <span className="text-soft text-sm">
          CSV of owners and dogs in any order of columns, or vCards of owners. Nothing is written before you have seen
          every row.
        </span>
        <input
          type="file"
          accept=".csv,.txt,.tsv,.vcf,text/csv,text/vcard"
          className="sr-only"
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </label>
      {words && (
        <p role={words === 'Reading…' ? 'status' : 'alert'} className="mt-3 font-semibold text-stop">
          {words}
        </p>
      )}
    </>
  );
}

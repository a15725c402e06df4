interface FileInputProps {
  /** As a browser asks for it: ".csv,text/csv". */
  readonly accept: string;
  /** The same file may be chosen twice. */
  readonly onFile: (file: File) => void;
}

/** Where a file is chosen, in our own look; stands in a label that names it. */
export function FileInput({ accept, onFile }: FileInputProps) {
  return (
    <input
      type="file"
      accept={accept}
      className="max-w-full font-normal text-soft file:mr-3 file:min-h-11 file:cursor-pointer file:rounded-xl file:border file:border-solid file:border-line file:bg-surface file:px-4 file:font-semibold file:text-ink"
      onChange={({ target }) => {
        const [file] = target.files ?? [];
        if (file) onFile(file);
        target.value = '';
      }}
    />
  );
}

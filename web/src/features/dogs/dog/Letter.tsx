import { LETTER_LIMIT, LETTER_TYPES } from '@dewpond/contract';
import { Paperclip, X } from 'lucide-react';
import { useRef } from 'react';
import { useWrite } from '../../../data/useWrite';
import { sendLetter, takeOffLetter } from '../../../api/letters';
import { Button } from '../../../ui/Button';
import { tell } from '../../../ui/tell';
import type { DogInstruction } from './instructionState';

/** The scanned letter or photo behind an instruction: put in, looked at, taken off. */
export function Letter({ given }: { readonly given: DogInstruction }) {
  const input = useRef<HTMLInputElement>(null);
  const send = useWrite('PUT /api/instructions/:id', {
    write: (_, file: File) => sendLetter(given.id, file),
    tells: true,
  });
  const takeOff = useWrite('PUT /api/instructions/:id', { write: () => takeOffLetter(given.id), tells: true });
  const take = (file: File | undefined) => {
    if (!file) return;
    if (file.size > LETTER_LIMIT)
      tell(`That file is larger than ${LETTER_LIMIT / 1024 / 1024} MB. The instruction stays as it is.`, {
        tone: 'stop',
      });
    else send.mutate(file);
  };
  if (given.letter)
    return (
      <span className="flex items-center gap-1">
        <a
          href={`/api/instructions/${given.id}/letter`}
          target="_blank"
          rel="noreferrer"
          className="inline-flex items-center gap-1.5 min-h-11 text-pond underline max-w-52"
        >
          <Paperclip size={16} aria-hidden className="shrink-0" />
          <span className="truncate">{given.letter.fileName}</span>
        </a>
        <Button
          look="quiet"
          className="px-0! size-11 border-0!"
          aria-label={`Take off ${given.letter.fileName}`}
          disabled={takeOff.isPending}
          onClick={() => takeOff.mutate()}
        >
          <X size={16} aria-hidden />
        </Button>
      </span>
    );
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={LETTER_TYPES.join(',')}
        className="sr-only"
        aria-label="Letter or photo"
        tabIndex={-1}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Button look="quiet" disabled={send.isPending} onClick={() => input.current?.click()}>
        <Paperclip size={16} aria-hidden /> {send.isPending ? 'Sending…' : 'Add the letter'}
      </Button>
    </>
  );
}

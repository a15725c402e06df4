import type { PageWords } from '@dewpond/core/wording';
import { NOTICED, TOLD_BY_TAP } from '@dewpond/core/due';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { v7 } from 'uuid';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { TextField } from '../../ui/Field';
import { tell } from '../../ui/tell';
import { sendAnswer } from './ownerCall';

type Tapped = (typeof TOLD_BY_TAP)[number];

/** What an owner noticed between visits: what follows is said before it is told. */
export function Noticed({ words, isRead }: { readonly words: PageWords; readonly isRead: boolean }) {
  const [chosen, setChosen] = useState<Tapped | null>(null);
  const [note, setNote] = useState('');
  const client = useQueryClient();
  const id = useRef(v7());
  const send = useMutation({
    mutationFn: (says: Tapped) => sendAnswer({ id: id.current, says, note: note.trim() }),
    onSuccess: () => {
      id.current = v7();
      setChosen(null);
      setNote('');
      tell(words.answered);
    },
    onError: () => tell(words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  return (
    <details className="mt-3">
      <summary className="min-h-11 flex items-center font-semibold text-pond cursor-pointer">
        {words.noticedTitle}
      </summary>
      {isRead && (
        <div role="group" aria-label={words.noticedTitle} className="flex flex-col gap-2">
          {TOLD_BY_TAP.map((each) => (
            <Choice
              key={each}
              chosen={chosen === each}
              onClick={() => setChosen(chosen === each ? null : each)}
              className="text-left"
            >
              {words[`noticed ${each}`]}
            </Choice>
          ))}
        </div>
      )}
      {chosen && (
        <form
          className="mt-3 flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (!send.isPending) send.mutate(chosen);
          }}
        >
          <p className="rounded-xl bg-watch-pale px-4 py-2.5 font-semibold">
            {NOTICED[chosen].dueNow === null ? words.noticedAsk : words.noticedDue}
          </p>
          <TextField
            label={words.noticedWord}
            value={note}
            maxLength={300}
            onChange={(event) => setNote(event.target.value)}
          />
          <Button type="submit" look="main">
            {words.tellSalon}
          </Button>
        </form>
      )}
    </details>
  );
}

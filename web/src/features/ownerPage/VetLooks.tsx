import type { OwnerPage } from '@dewpond/contract';
import { lookDay, lookDays } from '@dewpond/core/due';

import { fillIn } from '@dewpond/core/wording';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { tell } from '../../ui/tell';
import { tellVetLook } from './ownerCall';
import { showDay } from '../../browser/times';
import { DayField } from '../../forms/DayField';

/** Looks of a vet that are wanted regularly: the owner tells when the last one was, and then it is not due. */
export function VetLooks({ page }: { readonly page: OwnerPage }) {
  const { words, vetLooks } = page;
  if (vetLooks.length === 0) return null;
  return (
    <section
      aria-label={words.vetLook}
      className="no-print max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-4"
    >
      <h2 className="text-xl">{words.vetLook}</h2>
      <p className="text-soft mb-2">{fillIn(words.vetLookWhy, { dog: page.dog })}</p>
      <ul className="flex flex-col gap-2">
        {vetLooks.map((each) => (
          <Look key={each.task} page={page} look={each} />
        ))}
      </ul>
    </section>
  );
}

function Look({
  page: { words, language, home },
  look: { task, name, last },
}: {
  readonly page: OwnerPage;
  readonly look: OwnerPage['vetLooks'][number];
}) {
  const client = useQueryClient();
  const [on, setOn] = useState('');
  const keep = useMutation({
    mutationFn: tellVetLook,
    onSuccess: () => tell(words.vetLookKept),
    onError: () => tell(words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  const day = lookDay(on, home.today);
  return (
    <li className="flex flex-wrap items-end gap-2">
      <span className="flex-1 min-w-48 self-center">
        <span className="block font-bold text-lg leading-tight">{name}</span>
        {last !== null && (
          <span className="block text-sm text-soft">{fillIn(words.vetLookLast, { day: showDay(last, language) })}</span>
        )}
      </span>
      <DayField
        label={words.vetLookWhen}
        aria-label={fillIn(words.vetLookDay, { look: name })}
        min={lookDays(home.today).first}
        max={home.today}
        today={home.today}
        language={language}
        value={on}
        onChange={(event) => setOn(event.target.value)}
      />
      <Button disabled={day === null || keep.isPending} onClick={() => day !== null && keep.mutate({ task, on: day })}>
        {words.keep}
      </Button>
    </li>
  );
}

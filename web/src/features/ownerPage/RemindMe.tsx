import type { OwnerPage } from '@dewpond/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Choice } from '../../ui/Choice';
import { tell } from '../../ui/tell';
import { chooseReminder } from './ownerCall';

interface RemindMeProps {
  readonly reminder: NonNullable<OwnerPage['reminder']>;
  readonly words: OwnerPage['words'];
  readonly language: string;
  readonly isRead: boolean;
}

/** 5 January 2026 is a Monday. */
const dayName = (weekday: number, language: string): string =>
  new Intl.DateTimeFormat(language, { weekday: 'short', timeZone: 'UTC' }).format(Date.UTC(2026, 0, 5 + weekday));

/** A word once a week about what is to be done at home, for who wants it: on which evening, or not at all. */
export function RemindMe({ reminder: { weekday }, words, language, isRead }: RemindMeProps) {
  const client = useQueryClient();
  const choose = useMutation({
    mutationFn: chooseReminder,
    onSuccess: () => tell(words.remindKept),
    onError: () => tell(words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  const choices = [null, 0, 1, 2, 3, 4, 5, 6] as const;
  return (
    <details className="mt-2">
      <summary className="min-h-11 flex items-center font-semibold text-pond cursor-pointer">{words.remindMe}</summary>
      <p className="text-sm text-soft mb-2">{words.remindWhy}</p>
      {isRead && (
        <div role="group" aria-label={words.remindOn} className="flex flex-wrap gap-2">
          {choices.map((each) => (
            <Choice
              key={each}
              chosen={weekday === each}
              onClick={() => !choose.isPending && choose.mutate(each)}
              className="min-h-11!"
            >
              {each === null ? words.remindNever : dayName(each, language)}
            </Choice>
          ))}
        </div>
      )}
    </details>
  );
}

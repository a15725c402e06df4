import { ALL_CONSENTS, CONSENTS, type Consent } from '@dewpond/core/clients';
import type { Day } from '@dewpond/core/units';
import { RadioGroup } from 'radix-ui';
import { useSession } from '../../../data/queries';
import type { CardFieldsProps } from './ReachFields';
import { showDay } from '../../../browser/times';

const ANSWERS = [
  ['yes', 'Yes'],
  ['no', 'No'],
  ['unasked', 'Not asked'],
] as const;

/** What the owner was asked, their word, and its day; a new word is of today. */
export function ConsentRows({ draft: { form, set, at } }: CardFieldsProps) {
  const { consents } = form;
  const today = useSession().data?.today;
  const answer = (consent: Consent, value: string) => {
    const { [consent]: _, ...others } = consents;
    if (value === 'unasked') set({ consents: others });
    else if (today) set({ consents: { ...others, [consent]: { yes: value === 'yes', on: today } } });
  };
  return (
    <ul className="flex flex-col divide-y divide-line">
      {ALL_CONSENTS.map((consent) => {
        const word = consents[consent];
        return (
          <li key={consent} className="py-2 first:pt-0 last:pb-0">
            <div className="flex items-center justify-between gap-2">
              <span className="leading-tight">
                {CONSENTS[consent]}
                {word && <span className="block text-[13px] text-soft">{said(word.on)}</span>}
              </span>
              <RadioGroup.Root
                aria-label={CONSENTS[consent]}
                value={word ? (word.yes ? 'yes' : 'no') : 'unasked'}
                // A word without its day is no word: before the day is known none can be given.
                disabled={!today}
                onValueChange={(value) => answer(consent, value)}
                className="flex rounded-xl border border-line overflow-hidden shrink-0"
              >
                {ANSWERS.map(([value, words]) => (
                  <RadioGroup.Item
                    key={value}
                    value={value}
                    className="px-2.5 min-h-11 text-sm border-l border-line first:border-0 text-soft data-[state=checked]:bg-pond-pale data-[state=checked]:text-pond data-[state=checked]:font-semibold"
                  >
                    {words}
                  </RadioGroup.Item>
                ))}
              </RadioGroup.Root>
            </div>
            {at(`card.consents.${consent}.on`) && (
              <p role="alert" className="text-sm text-stop font-semibold">
                {at(`card.consents.${consent}.on`)}
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}

const said = (on: Day): string => `said ${showDay(on)} ${on.slice(0, 4)}`;

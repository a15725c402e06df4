import { CHANNELS, LANGUAGES, LANGUAGE_NAMES, isLanguage, type Phone } from '@dewpond/core/clients';
import { X } from 'lucide-react';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import type { Fields } from '../../../forms/useDraft';
import { isFilled, type TypedCard } from './typedCard';

export interface CardFieldsProps {
  readonly draft: Fields<TypedCard>;
}

/** The list with one item otherwise; `null` takes it out. */
const withAt = <T,>(list: readonly T[], at: number, item: T | null): T[] =>
  list.flatMap((each, i) => (i === at ? (item === null ? [] : [item]) : [each]));

/** Empty rows are not sent: which row of what is sent this one is. */
const sentAt = (rows: readonly string[], i: number): number => rows.slice(0, i).filter(isFilled).length;

const NO_PHONE: Phone = { number: '', whose: '' };

/** Phones and e-mails, the first tried first, and how they like to be reached. */
export function ReachFields({ draft }: CardFieldsProps) {
  const { form: card, set, at, field } = draft;
  const phones = card.phones.length === 0 ? [NO_PHONE] : card.phones;
  const emails = card.emails.length === 0 ? [''] : card.emails;
  return (
    <div className="flex flex-col gap-4">
      <fieldset className="flex flex-col gap-2">
        {phones.map((phone, i) => (
          <div
            key={i}
            className="grid grid-cols-[1fr_1fr_44px] max-md:grid-cols-[1fr_44px] max-md:[&>*:first-child]:col-span-2 items-start gap-2"
          >
            <TextField
              label={i === 0 ? 'Phone' : `Phone ${i + 1}`}
              type="tel"
              autoComplete="off"
              value={phone.number}
              error={
                isFilled(phone.number)
                  ? at(
                      `card.phones.${sentAt(
                        phones.map(({ number }) => number),
                        i,
                      )}.number`,
                    )
                  : undefined
              }
              onChange={(event) => set({ phones: withAt(phones, i, { ...phone, number: event.target.value }) })}
            />
            <TextField
              label="Whose"
              placeholder="own, partner, work"
              autoComplete="off"
              value={phone.whose}
              onChange={(event) => set({ phones: withAt(phones, i, { ...phone, whose: event.target.value }) })}
            />
            <TakeOff what={`phone ${i + 1}`} onPress={() => set({ phones: withAt(phones, i, null) })} />
          </div>
        ))}
        <Button look="quiet" className="self-start" onClick={() => set({ phones: [...phones, NO_PHONE] })}>
          Another phone
        </Button>
      </fieldset>
      <fieldset className="flex flex-col gap-2">
        {emails.map((email, i) => (
          <div key={i} className="grid grid-cols-[1fr_44px] items-start gap-2">
            <TextField
              label={i === 0 ? 'E-mail' : `E-mail ${i + 1}`}
              autoComplete="off"
              value={email}
              error={isFilled(email) ? at(`card.emails.${sentAt(emails, i)}`) : undefined}
              onChange={(event) => set({ emails: withAt(emails, i, event.target.value) })}
            />
            <TakeOff what={`e-mail ${i + 1}`} onPress={() => set({ emails: withAt(emails, i, null) })} />
          </div>
        ))}
        <Button look="quiet" className="self-start" onClick={() => set({ emails: [...emails, ''] })}>
          Another e-mail
        </Button>
      </fieldset>
      <SelectField label="Likes to be reached by" {...field('prefers')}>
        {CHANNELS.map((channel) => (
          <option key={channel}>{channel}</option>
        ))}
      </SelectField>
      <SelectField
        label="Reads"
        hint="sheets, messages, the page and the week at home"
        value={card.language ?? ''}
        onChange={(event) => set({ language: isLanguage(event.target.value) ? event.target.value : null })}
      >
        <option value="">as we write</option>
        {LANGUAGES.map((language) => (
          <option key={language} value={language}>
            {LANGUAGE_NAMES[language]}
          </option>
        ))}
      </SelectField>
    </div>
  );
}

const TakeOff = ({ what, onPress }: { readonly what: string; readonly onPress: () => void }) => (
  <Button look="quiet" className="px-0! size-11 mt-6" aria-label={`Take off ${what}`} onClick={onPress}>
    <X size={18} aria-hidden />
  </Button>
);

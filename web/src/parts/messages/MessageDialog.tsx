import { messageFields, type BodyOf, type MessageDraft } from '@dewpond/contract';
import { LINK_MARK, TEMPLATES, type MessageChannel, type MessageKind } from '@dewpond/core/messages';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { useWhoMay } from '../../data/useMay';
import { useWrite } from '../../data/useWrite';
import { fresh, useDraft } from '../../forms/useDraft';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { NotOurs } from '../../ui/NotOurs';
import { LongField, TextField } from '../../ui/Field';
import { FormSays } from '../../forms/FormFoot';
import { Waiting } from '../../ui/Waiting';
import { tell } from '../../ui/tell';
import { TimeField } from '../../forms/TimeField';
import { readTime, type Day } from '@dewpond/core/units';

/** What is written about, and to whose owner. */
export interface MessageAbout {
  readonly kind: MessageKind;
  readonly dogId: string;
  readonly visitId: string | null;
  readonly referralId?: string;
  /** "15:30": the message names an hour. */
  readonly time?: string;
  /** The day that is offered, or on which the dog comes. */
  readonly day?: Day;
  /** Dogs of the same owner that it is about as well. */
  readonly withDogs?: readonly string[];
  /** Times to say yes to, on the page that goes with it. */
  readonly offers?: readonly OfferedVisit[];
}
export type OfferedVisit = NonNullable<BodyOf<'POST /api/messages'>['offers']>[number];

const useSuggested = ({ kind, dogId, visitId, referralId, time, day, withDogs = [] }: MessageAbout) =>
  useQuery({
    queryKey: ['draft', kind, dogId, visitId, referralId, time, day, withDogs],
    queryFn: () =>
      call('GET /api/dogs/:id/draft', {
        id: dogId,
        query: {
          kind,
          ...(visitId === null ? {} : { visit: visitId }),
          ...(referralId === undefined ? {} : { referral: referralId }),
          ...(time === undefined ? {} : { time }),
          ...(day === undefined ? {} : { day }),
          ...(withDogs.length === 0 ? {} : { with: withDogs.join(',') }),
        },
      }),
    staleTime: 0,
    // Another hour: what was typed stays while the text for it is made.
    placeholderData: keepPreviousData,
  });

const NAMES_AN_HOUR: readonly MessageKind[] = ['nearly ready', 'please ring', 'on our way'];

const HOUR_WORDS: Readonly<Partial<Record<MessageKind, string>>> = {
  'please ring': 'Ring before',
  'on our way': 'There around',
};

/** The next full half hour from now: what a groomer would say at the door. */
function soon(): string {
  const at = new Date(Date.now() + 30 * 60_000);
  at.setMinutes(at.getMinutes() < 30 ? 30 : 60, 0, 0);
  return `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
}

interface MessageDialogProps {
  readonly about: MessageAbout;
  readonly onClose: () => void;
  readonly onSent?: (channel: MessageChannel) => void;
}

/** A message to an owner: read it, change it, send it. Nothing goes where it is not welcome. */
export function MessageDialog(props: MessageDialogProps) {
  const whoMay = useWhoMay('write to owners');
  if (whoMay === null) return <Writing {...props} />;
  return (
    <Dialog open onClose={props.onClose} title={TEMPLATES[props.about.kind].name}>
      <p>{whoMay}</p>
    </Dialog>
  );
}

function Writing({ about, onClose, onSent }: MessageDialogProps) {
  const asksHour = NAMES_AN_HOUR.includes(about.kind);
  const [time, setTime] = useState(() => about.time ?? soon());
  const suggested = useSuggested(asksHour ? { ...about, time } : about);
  return (
    <Dialog
      open
      onClose={onClose}
      title={TEMPLATES[about.kind].name}
      says={suggested.data ? `To ${suggested.data.owner}` : undefined}
    >
      {asksHour && (
        <div className="max-w-40 mb-4">
          <TimeField
            label={HOUR_WORDS[about.kind] ?? 'Ready around'}
            value={time}
            onChange={({ target }) => readTime(target.value) !== null && setTime(target.value)}
            className="min-h-14 text-lg"
          />
        </div>
      )}
      <Waiting query={suggested} what="The message">
        {(its) => (
          <Compose suggested={its} about={about} hour={asksHour ? time : null} onClose={onClose} onSent={onSent} />
        )}
      </Waiting>
    </Dialog>
  );
}

type MessageBody = Omit<BodyOf<'POST /api/messages'>, 'id'>;

function Compose({
  suggested,
  about,
  hour,
  onClose,
  onSent,
}: {
  readonly suggested: MessageDraft;
  readonly about: MessageAbout;
  /** The hour it names, "15:30"; null: it names none. */
  readonly hour: string | null;
  readonly onClose: () => void;
  readonly onSent: ((channel: MessageChannel) => void) | undefined;
}) {
  const draft = useDraft(
    fresh({
      channel: suggested.reach.find(({ whyNot }) => whyNot === null)?.channel ?? null,
      subject: suggested.subject,
      words: suggested.words,
    }),
    {
      as: ({ channel, subject, words }): MessageBody => ({
        dogId: about.dogId,
        withDogs: [...(about.withDogs ?? [])],
        // Without its page there is nowhere to say yes.
        offers: words.includes(LINK_MARK) ? [...(about.offers ?? [])] : [],
        visitId: about.visitId,
        referralId: about.referralId ?? null,
        kind: about.kind,
        // None is no way to send it: the button waits for one.
        channel: channel as MessageChannel,
        subject,
        words,
      }),
      fits: messageFields,
    },
  );
  const { field } = draft;
  const { channel, subject, words } = draft.form;
  const send = useWrite('POST /api/messages', {
    form: draft,
    write: (id, body: MessageBody) => call('POST /api/messages', { body: { ...body, id } }),
    onSuccess: (_, { channel: by }) => {
      tell(`On its way by ${by}. The Outbox shows whether it arrives.`);
      onSent?.(by);
      onClose();
    },
  });
  return (
    <form className="flex flex-col gap-3" noValidate onSubmit={draft.submit((body) => send.mutate(body))}>
      <Channels reach={suggested.reach} chosen={channel} onChoose={(to) => draft.set({ channel: to })} />
      {channel === null && (
        <p className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3">
          Nothing may be sent to {suggested.owner}. Ask at the door, and write the answer on the{' '}
          <Link to="/owners" className="underline">
            client card
          </Link>
          .
        </p>
      )}
      {channel === 'e-mail' && <TextField label="Subject" maxLength={150} {...field('subject')} />}
      <LongField label="Text" rows={6} maxLength={1500} {...field('words')} />
      {words !== suggested.words && (
        <div className="flex flex-wrap items-center justify-between gap-x-3">
          {hour !== null && !words.includes(hour) ? (
            <p className="text-sm text-watch font-semibold">Your own text. It does not say {hour}.</p>
          ) : (
            <p className="text-sm text-soft">Your own text.</p>
          )}
          <Button look="quiet" onClick={() => draft.set({ words: suggested.words })}>
            As suggested
          </Button>
        </div>
      )}
      <NotOurs words={`${subject} ${words}`} language={suggested.language} />
      {words.includes(LINK_MARK) && (
        <p className="text-sm text-soft">
          <b>{LINK_MARK}</b> becomes a private page for this owner when it is sent.
        </p>
      )}
      <FormSays draft={draft} />
      <Button type="submit" look="main" className="min-h-14!" disabled={channel === null || send.isPending}>
        {send.isPending ? 'Sending…' : channel === null ? 'Send' : `Send by ${channel}`}
      </Button>
    </form>
  );
}

interface ChannelsProps {
  readonly reach: MessageDraft['reach'];
  readonly chosen: MessageChannel | null;
  readonly onChoose: (channel: MessageChannel) => void;
}

/** The ways to reach this owner; one that may not be used says why. */
function Channels({ reach, chosen, onChoose }: ChannelsProps) {
  return (
    <fieldset>
      <legend className="text-sm font-semibold mb-1">By</legend>
      <div className="flex flex-wrap gap-2">
        {reach.map((way) => (
          <span key={way.channel} className="flex flex-col gap-0.5">
            <Choice
              chosen={chosen === way.channel}
              disabled={way.whyNot !== null}
              onClick={() => onChoose(way.channel)}
              className="disabled:opacity-50 first-letter:uppercase"
            >
              {way.channel} {way.whyNot === null && <span className="font-normal">{way.to}</span>}
            </Choice>
            {way.whyNot !== null && <span className="text-sm text-watch max-w-60">{way.whyNot}</span>}
          </span>
        ))}
      </div>
    </fieldset>
  );
}

import type { OwnerAnswering, OwnerPage } from '@dewpond/contract';
import { SHORT_NOTICE_MS } from '@dewpond/core/messages';
import { fillIn } from '@dewpond/core/wording';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Check } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { v7 } from 'uuid';
import { dayOf, moment, showDay } from '../../browser/times';
import { useNow } from '../../browser/useNow';
import { Button } from '../../ui/Button';
import { LongField } from '../../ui/Field';
import { tell } from '../../ui/tell';
import { sendAnswer } from './ownerCall';

type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
type GivenAnswer = Without<OwnerAnswering, 'id'>;

/** What is booked and what was offered: yes, no, or another of the times. */
export function NextDates({ page }: { readonly page: OwnerPage }) {
  const { words, language, booked, offers } = page;
  const client = useQueryClient();
  const send = useMutation({
    mutationFn: (answer: GivenAnswer) => sendAnswer({ ...answer, id: v7() }),
    onSuccess: () => tell(words.answered),
    // The only thing that is refused is a time that somebody else has by now.
    onError: (error) => tell(error.name === 'conflict' ? words.timeGone : words.notKept, { tone: 'stop' }),
    onSettled: () => client.invalidateQueries({ queryKey: ['owner page'] }),
  });
  const answer = (given: GivenAnswer) => send.mutate(given);
  const stands = booked.filter(({ isCancelled }) => !isCancelled);
  return (
    <section
      aria-label={words.nextDates}
      className="max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-3.5 flex flex-col gap-3"
    >
      {byDay(page).map((visits) => (
        <ComingDay key={visits[0].startsAt} page={page} visits={visits} isBusy={send.isPending} onAnswer={answer} />
      ))}
      {stands.length === 0 && offers.length === 0 && (
        <p className="text-lg">
          {words.nothingBooked}
          {page.suggested !== null && ` ${fillIn(words.suggested, { day: showDay(page.suggested, language) })}`}
        </p>
      )}
      {offers.length > 0 && (
        <Offers page={page} isBooked={stands.length > 0} isBusy={send.isPending} onAnswer={answer} />
      )}
      {page.business.phone !== '' && (
        <p>
          <Filled words={words.ringUs} slot="phone">
            <a href={`tel:${page.business.phone}`} className="text-pond underline font-semibold">
              {page.business.phone}
            </a>
          </Filled>
        </p>
      )}
    </section>
  );
}

type VisitToCome = OwnerPage['booked'][number];
type DayToCome = readonly [VisitToCome, ...VisitToCome[]];

/** Visits by their day, what is cancelled apart; this dog's own first. */
function byDay({ booked, zone }: OwnerPage): DayToCome[] {
  const days = new Map<string, [VisitToCome, ...VisitToCome[]]>();
  for (const each of booked) {
    const key = `${each.isCancelled ? 'no' : 'yes'} ${dayOf(each.startsAt, zone)}`;
    const known = days.get(key);
    if (known) known.push(each);
    else days.set(key, [each]);
  }
  return [...days.values()];
}

interface AnswerProps {
  readonly page: OwnerPage;
  readonly isBusy: boolean;
  readonly onAnswer: (answer: GivenAnswer) => void;
}

/** All dogs of a house on one day. */
function ComingDay({ page, visits, isBusy, onAnswer }: AnswerProps & { readonly visits: DayToCome }) {
  const { words, language, zone } = page;
  const now = useNow(60_000);
  const [first] = visits;
  const own = visits.filter(({ isOwn }) => isOwn);
  const ids = (some: readonly VisitToCome[]) => some.map(({ id }) => id);
  const when = (each: VisitToCome) => moment(each.startsAt, zone, language);
  const isShort = Date.parse(first.startsAt) - now < SHORT_NOTICE_MS;
  if (first.isCancelled)
    return (
      <div className="flex flex-wrap items-center justify-between gap-3 text-soft">
        <span>
          {visits.map((each) => (
            <span key={each.id} className="block">
              {fillIn(words.cancelled, { dog: each.dog, when: when(each) })}
            </span>
          ))}
          {isShort && <b className="block text-watch">{words.shortNotice}</b>}
        </span>
        <Button disabled={isBusy} onClick={() => onAnswer({ says: 'comes after all', bookings: ids(visits) })}>
          {words.comeAfterAll}
        </Button>
      </div>
    );
  const saidYes = visits.every((each) => each.saidYes);
  return (
    <div className="flex flex-col gap-2">
      {visits.length === 1 ? (
        <p className="text-lg">
          <Filled words={words.nextVisit} slot="when">
            <b>{when(first)}</b>
          </Filled>
        </p>
      ) : (
        visits.map((each) => (
          <p key={each.id} className="text-lg">
            <Filled words={fillIn(words.visitOf, { dog: each.dog, when: '{when}' })} slot="when">
              <b>{when(each)}</b>
            </Filled>
          </p>
        ))
      )}
      {saidYes && (
        <p className="text-pond font-semibold flex items-center gap-1.5">
          <Check size={20} aria-hidden /> {words.saidYes}
        </p>
      )}
      <div className="no-print flex flex-wrap gap-2">
        {!saidYes && (
          <Button look="main" disabled={isBusy} onClick={() => onAnswer({ says: 'comes', bookings: ids(visits) })}>
            {words.weCome}
          </Button>
        )}
        <Button disabled={isBusy} onClick={() => onAnswer({ says: 'cannot come', bookings: ids(visits) })}>
          {words.cannotCome}
        </Button>
        {visits.length > own.length && own.length > 0 && (
          <Button disabled={isBusy} onClick={() => onAnswer({ says: 'cannot come', bookings: ids(own) })}>
            {fillIn(words.onlyOne, { dog: page.dog })}
          </Button>
        )}
      </div>
    </div>
  );
}

/** Times that were offered and are free. */
function Offers({ page, isBooked, isBusy, onAnswer }: AnswerProps & { readonly isBooked: boolean }) {
  const { words, language, zone, offers } = page;
  const [asks, setAsks] = useState(false);
  const [note, setNote] = useState('');
  const list = new Intl.ListFormat(language, { type: 'conjunction' });
  const dogs = list.format([...new Set(offers.flatMap((each) => each.dogs))]);
  return (
    <div className="no-print flex flex-col gap-2">
      <h2 className="text-xl">{isBooked ? words.otherTimes : fillIn(words.offered, { dog: dogs })}</h2>
      <ul className="flex flex-col gap-2">
        {offers.map((each, i) => (
          <li key={each.set} className="flex flex-wrap items-center justify-between gap-2">
            <b className="text-lg">{moment(each.startsAt, zone, language)}</b>
            <Button
              look={i === 0 && !isBooked ? 'main' : 'plain'}
              disabled={isBusy}
              aria-label={`${words.takeTime}: ${moment(each.startsAt, zone, language)}`}
              onClick={() => onAnswer({ says: 'takes', set: each.set })}
            >
              {words.takeTime}
            </Button>
          </li>
        ))}
      </ul>
      {asks ? (
        <div className="flex flex-col gap-2">
          <LongField
            label={words.whatSuits}
            rows={2}
            maxLength={300}
            value={note}
            onChange={({ target }) => setNote(target.value)}
          />
          <Button
            disabled={isBusy}
            onClick={() => {
              onAnswer({ says: 'none suits', note });
              setAsks(false);
            }}
          >
            {words.tellSalon}
          </Button>
        </div>
      ) : (
        <Button look="quiet" className="self-start" onClick={() => setAsks(true)}>
          {words.noneSuits}
        </Button>
      )}
    </div>
  );
}

/** A sentence with something in place of its slot that is more than words. */
function Filled({
  words,
  slot,
  children,
}: {
  readonly words: string;
  readonly slot: string;
  readonly children: ReactNode;
}) {
  const [before, after] = words.split(`{${slot}}`);
  return (
    <>
      {before}
      {children}
      {after}
    </>
  );
}

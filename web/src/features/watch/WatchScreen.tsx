import type { WatchItem } from '@dewpond/contract';
import { LEVEL_WORDS, atLeast, type Level } from '@dewpond/core/findings';
import type { MessageKind } from '@dewpond/core/messages';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { daysBetween, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Link } from 'react-router';
import { useReferrals, useSession, useWatch } from '../../data/queries';
import { Chip, type Tone } from '../../ui/Chip';
import { SourceMark } from '../../ui/SourceMark';
import { Empty, Waiting } from '../../ui/Waiting';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { FollowUpTabs } from './FollowUpTabs';
import { ReferralCard } from './ReferralCard';
import { showDay } from '../../browser/times';
import { May } from '../../parts/May';

const toneOf = (level: Level): Tone => (atLeast(level, 'vet') ? 'stop' : 'watch');

/** Places a vet should see first, then what else the last looks left open. */
export function WatchScreen() {
  const query = useWatch();
  const referrals = useReferrals();
  const today = useSession().data?.today;
  const [closedToo, setClosedToo] = useState(false);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header>
        <h1>Watch list</h1>
        <p className="text-soft">
          What the last look at each place left open.{' '}
          <SourceMark
            source={COMMON_PRACTICE}
            because="The levels are read from the tables of signs; Dewpond never says what a sign means."
          />
        </p>
      </header>
      <FollowUpTabs />
      <Waiting query={referrals} what="The referrals">
        {(all) => {
          const shown = all.filter(({ end }) => closedToo || end === null);
          const closed = all.filter(({ end }) => end !== null).length;
          return (
            <section aria-labelledby="for-a-vet" className="flex flex-col gap-3">
              <div className="flex flex-wrap items-baseline gap-x-4">
                <h2 id="for-a-vet" className="text-xl">
                  For a vet
                </h2>
                {closed > 0 && (
                  <button
                    type="button"
                    className="text-pond underline min-h-11"
                    onClick={() => setClosedToo(!closedToo)}
                  >
                    {closedToo ? 'Hide the closed ones' : `Show ${closed} closed lately`}
                  </button>
                )}
              </div>
              {shown.length === 0 ? (
                <Empty words="No place waits for a vet." />
              ) : (
                <ul className="flex flex-col gap-3">
                  {shown.map((referral) => (
                    <ReferralCard key={referral.id} referral={referral} today={today ?? referral.openedOn} />
                  ))}
                </ul>
              )}
            </section>
          );
        }}
      </Waiting>
      <Waiting query={query} what="The watch list">
        {(items) => {
          // What waits for a vet stands above, with its steps.
          const others = items.filter(({ level }) => !atLeast(level as Level, 'vet'));
          return (
            <section aria-labelledby="to-watch" className="flex flex-col gap-3">
              <h2 id="to-watch" className="text-xl">
                To watch and to ask
              </h2>
              {others.length === 0 ? (
                <Empty words="Nothing else is open. Findings at level watch or tell come here by themselves." />
              ) : (
                <Items items={others} today={today ?? others[0]?.day ?? ('2026-01-01' as Day)} />
              )}
            </section>
          );
        }}
      </Waiting>
    </div>
  );
}

function Items({ items, today }: { readonly items: readonly WatchItem[]; readonly today: Day }) {
  return (
    <ul className="rounded-card border border-line bg-surface divide-y divide-line">
      {items.map((item) => (
        <li
          key={item.dogId + item.place + item.words}
          className="grid grid-cols-[120px_150px_1fr_auto] max-lg:grid-cols-[80px_1fr] max-md:grid-cols-1 gap-x-4 gap-y-1 items-center px-4 py-3"
        >
          <span>
            <Chip tone={toneOf(item.level as Level)}>{item.level}</Chip>
          </span>
          <Link to={`/dogs/${item.dogId}`} className="font-bold text-lg hover:text-pond hover:underline">
            {item.dog}
          </Link>
          <span className="max-lg:col-span-2 max-md:col-span-1">
            <b className="first-letter:uppercase inline-block">{item.place}</b>: {item.words}
            <span className="block text-sm text-soft first-letter:uppercase">{LEVEL_WORDS[item.level as Level]}</span>
          </span>
          <span className="text-sm text-right max-lg:text-left max-lg:col-span-2 max-md:col-span-1">
            <Link to={`/visits/${item.visitId}/sheet`} className="text-pond underline">
              {showDay(item.day)}
            </Link>
            , {ago(daysBetween(item.day, today))}
            <span className="block text-soft">
              {item.owner}, {item.phone}
            </span>
            <AskHow item={item} />
          </span>
        </li>
      ))}
    </ul>
  );
}

/** By what message one asks after it; null: the sheet has said it, nobody asks. */
const askedBy = ({ place }: WatchItem): MessageKind | null =>
  place.startsWith('incident') ? 'how is it' : place.startsWith('after plucking') ? 'after plucking' : null;

/** After an incident, or when hair was taken out of ears, somebody asks how it is; a message does where nobody answers the telephone. */
function AskHow({ item }: { readonly item: WatchItem }) {
  const [writing, setWriting] = useState(false);
  const kind = askedBy(item);
  if (kind === null) return null;
  return (
    <>
      <May deed="write to owners">
        <button type="button" className="text-pond underline min-h-8" onClick={() => setWriting(true)}>
          Ask how it is
        </button>
      </May>
      {writing && (
        <MessageDialog about={{ kind, dogId: item.dogId, visitId: item.visitId }} onClose={() => setWriting(false)} />
      )}
    </>
  );
}

const ago = (days: number): string => (days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`);

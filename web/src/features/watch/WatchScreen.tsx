import type { WatchItem } from '@dewpond/contract';
import { LEVEL_WORDS, atLeast, type Level } from '@dewpond/core/findings';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';
import { daysBetween, showDay, type Day } from '@dewpond/core/units';
import { Link } from 'react-router';
import { useSession, useWatch } from '../../api/queries';
import { Chip, type Tone } from '../../ui/Chip';
import { SourceMark } from '../../ui/SourceMark';
import { Empty, Waiting } from '../../ui/Waiting';

const toneOf = (level: Level): Tone => (atLeast(level, 'vet') ? 'stop' : 'watch');

/** Findings that want following up, by urgency and age. */
export function WatchScreen() {
  const query = useWatch();
  const today = useSession().data?.today;
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
      <Waiting query={query} what="The watch list">
        {(items) =>
          items.length === 0 ? (
            <Empty words="Nothing is open. Findings at level watch or higher come here by themselves." />
          ) : (
            <Items items={items} today={today ?? items[0]?.day ?? ('2026-01-01' as Day)} />
          )
        }
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
          className="grid grid-cols-[120px_150px_1fr_auto] max-md:grid-cols-1 gap-x-4 gap-y-1 items-center px-4 py-3"
        >
          <span>
            <Chip tone={toneOf(item.level as Level)}>{item.level}</Chip>
          </span>
          <Link to={`/dogs/${item.dogId}`} className="font-bold text-lg hover:text-pond hover:underline">
            {item.dog}
          </Link>
          <span>
            <b className="first-letter:uppercase inline-block">{item.place}</b>: {item.words}
            <span className="block text-sm text-soft first-letter:uppercase">{LEVEL_WORDS[item.level as Level]}</span>
          </span>
          <span className="text-sm text-right max-md:text-left">
            <Link to={`/visits/${item.visitId}/sheet`} className="text-pond underline">
              {showDay(item.day)}
            </Link>
            , {ago(daysBetween(item.day, today))}
            <span className="block text-soft">
              {item.owner}, {item.phone}
            </span>
          </span>
        </li>
      ))}
    </ul>
  );
}

const ago = (days: number): string => (days <= 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`);

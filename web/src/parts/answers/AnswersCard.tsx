import type { OwnerAnswerView } from '@dewpond/contract';
import { NOTICED } from '@dewpond/core/due';
import { ownerSaysWords } from '@dewpond/core/messages';
import { TASKS } from '@dewpond/core/tasks';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { moment } from '../../browser/times';
import { useAnswers } from '../../data/queries';
import { useZone } from '../../data/useUnits';
import { useWrite } from '../../data/useWrite';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { tell } from '../../ui/tell';

/** A time that came free. */
export type TimeGivenUp = NonNullable<OwnerAnswerView['booking']>;

interface AnswersCardProps {
  /** Only what was noticed at home: for who has no time for bookings now. */
  readonly onlyNoticed?: boolean;
  /** Asks who gains from a time that came free. */
  readonly onFill?: (time: TimeGivenUp) => void;
}

/** What owners answered on their pages and nobody has seen yet; nothing where there is none. */
export function AnswersCard({ onlyNoticed = false, onFill }: AnswersCardProps) {
  const all = useAnswers().data ?? [];
  const answers = onlyNoticed ? all.filter(({ says }) => says in NOTICED) : all;
  const see = useWrite('PUT /api/answers/:id', {
    write: async (_, { ids, seen }: { readonly ids: readonly string[]; readonly seen: boolean }) => {
      for (const id of ids) await call('PUT /api/answers/:id', { id, body: { seen } });
    },
    onSuccess: (_, { ids, seen }) => {
      if (seen) tell('Seen.', { undo: () => see.mutate({ ids, seen: false }) });
    },
    tells: true,
  });
  if (answers.length === 0) return null;
  return (
    <Card title={onlyNoticed ? 'Noticed at home' : 'Owners answered'} aside={`${answers.length}`}>
      <ul className="flex flex-col divide-y divide-line">
        {inOne(answers).map((each) => (
          <Answered
            key={each[0].id}
            answers={each}
            isBusy={see.isPending}
            onSeen={() => see.mutate({ ids: each.map(({ id }) => id), seen: true })}
            {...(onFill ? { onFill } : {})}
          />
        ))}
      </ul>
    </Card>
  );
}

/** Answers of an owner about dogs of one day, told in one tap. */
type Together = readonly [OwnerAnswerView, ...OwnerAnswerView[]];

function inOne(answers: readonly OwnerAnswerView[]): Together[] {
  const told = new Map<string, [OwnerAnswerView, ...OwnerAnswerView[]]>();
  for (const each of answers) {
    const key = `${each.owner} ${each.says} ${each.toldAt}`;
    const same = told.get(key);
    if (same) same.push(each);
    else told.set(key, [each]);
  }
  return [...told.values()];
}

interface AnsweredProps {
  readonly answers: Together;
  readonly isBusy: boolean;
  readonly onSeen: () => void;
  readonly onFill?: (time: TimeGivenUp) => void;
}

function Answered({ answers, isBusy, onSeen, onFill }: AnsweredProps) {
  const zone = useZone();
  const [{ dogId, owner, phone, says, note }] = answers;
  const dogs = new Intl.ListFormat('en').format(answers.map(({ dog }) => dog));
  const noticed = says in NOTICED ? NOTICED[says as keyof typeof NOTICED] : null;
  const isNo = says === 'cannot come' || says === 'none suits' || noticed !== null;
  return (
    <li className="flex flex-wrap items-center justify-between gap-2 py-2">
      <span className="min-w-0">
        <b>{dogs}</b> <Chip tone={isNo ? 'watch' : 'good'}>{ownerSaysWords(says)}</Chip>
        <span className="block text-sm text-soft">
          {[...new Set(answers.flatMap(({ booking }) => (booking ? moment(booking.startsAt, zone) : [])))].map(
            (when) => `${when}. `,
          )}
          {owner}{' '}
          {isNo && phone !== '' && (
            <a href={`tel:${phone.replaceAll(' ', '')}`} className="text-pond underline whitespace-nowrap">
              {phone}
            </a>
          )}
          {note !== '' && <span className="block">“{note}”</span>}
          {noticed && (
            <Link to={`/dogs/${dogId}`} className="block text-pond underline">
              {noticed.dueNow === null ? 'Look, then ring' : `${TASKS[noticed.dueNow].name}: due from that day`}
            </Link>
          )}
        </span>
      </span>
      <span className="flex gap-2 shrink-0">
        {onFill &&
          says === 'cannot come' &&
          answers.map(
            ({ id, dog, booking }) =>
              booking && (
                <Button key={id} aria-label={`Who gains from the time of ${dog}`} onClick={() => onFill(booking)}>
                  {answers.length === 1 ? 'Who gains' : dog}
                </Button>
              ),
          )}
        <Button look="quiet" disabled={isBusy} aria-label={`Seen: ${dogs}: ${ownerSaysWords(says)}`} onClick={onSeen}>
          Seen
        </Button>
      </span>
    </li>
  );
}

import type { MessageView } from '@dewpond/contract';
import { TEMPLATES, mayTryAgain, mayWithdraw, type MessageState } from '@dewpond/core/messages';
import { Mail, MessageSquare } from 'lucide-react';
import { Link } from 'react-router';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useMessages } from '../../../data/queries';
import { moment } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Chip, type Tone } from '../../../ui/Chip';
import { Empty, Waiting } from '../../../ui/Waiting';
import { FollowUpTabs } from '../FollowUpTabs';

const STATES: Readonly<Record<MessageState, { readonly tone: Tone; readonly words: string }>> = {
  waiting: { tone: 'watch', words: 'waiting' },
  sending: { tone: 'watch', words: 'being sent' },
  sent: { tone: 'good', words: 'sent' },
  failed: { tone: 'stop', words: 'failed' },
  bounced: { tone: 'stop', words: 'came back' },
  withdrawn: { tone: 'plain', words: 'withdrawn' },
  unsure: { tone: 'stop', words: 'perhaps sent' },
};

/** Every message to an owner exactly as it went out, and what became of it. */
export function OutboxScreen() {
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <header>
        <h1>Outbox</h1>
        <p className="text-soft">Messages to owners, as they went out, and whether they arrived.</p>
      </header>
      <FollowUpTabs />
      <Waiting query={useMessages()} what="The outbox">
        {(items) =>
          items.length === 0 ? (
            <Empty words="Nothing was written yet. Send a sheet from its page, or “nearly ready” from the table." />
          ) : (
            <Messages items={items} />
          )
        }
      </Waiting>
    </div>
  );
}

/** A list of messages, the newest first. */
export function Messages({ items }: { readonly items: readonly MessageView[] }) {
  const trouble = items.filter(({ state }) => mayTryAgain(state)).length;
  return (
    <>
      {trouble > 0 && (
        <p role="status" className="rounded-xl bg-stop-pale text-stop font-semibold px-4 py-3">
          {trouble === 1 ? 'One message did not arrive.' : `${trouble} messages did not arrive.`} Read why, mend the
          address on the client card, and send again or ring.
        </p>
      )}
      <ul className="flex flex-col gap-3 max-w-4xl">
        {items.map((item) => (
          <MessageCard key={item.id} item={item} />
        ))}
      </ul>
    </>
  );
}

function MessageCard({ item }: { readonly item: MessageView }) {
  const zone = useZone();
  const step = useWrite('PUT /api/messages/:id', {
    write: (_, what: 'again' | 'withdraw' | 'bounce') => call('PUT /api/messages/:id', { id: item.id, body: { what } }),
    tells: true,
  });
  const { tone, words } = STATES[item.state];
  const Icon = item.channel === 'e-mail' ? Mail : MessageSquare;
  return (
    <li className="rounded-card border border-line bg-surface px-4.5 py-3.5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <p className="min-w-0">
          <b className="text-lg">{item.client}</b>
          {item.dog !== null && item.dogId !== null && (
            <>
              {' '}
              for{' '}
              <Link to={`/dogs/${item.dogId}`} className="text-pond underline">
                {item.dog}
              </Link>
            </>
          )}
          <span className="text-soft"> · {TEMPLATES[item.kind].name}</span>
        </p>
        <Chip tone={tone}>{words}</Chip>
      </div>
      <p className="text-sm text-soft flex flex-wrap items-center gap-x-2">
        <Icon size={15} aria-hidden /> {item.channel}
        {item.to !== '' && ` to ${item.to}`} · {item.askedBy}, {moment(item.createdAt, zone)}
        {item.sentAt !== null && ` · sent ${moment(item.sentAt, zone)}`}
        {item.arrivedAt !== null && ` · arrived ${moment(item.arrivedAt, zone)}`}
        {item.via === 'stand-in' && ' · stand-in, nothing left this machine'}
      </p>
      <blockquote className="border-l-3 border-line pl-3 my-2 break-words whitespace-pre-line">
        {item.channel === 'e-mail' && <b className="block">{item.subject}</b>}
        {item.words}
        {item.attached !== null && <span className="block text-sm text-soft">With {item.attached} as a PDF.</span>}
      </blockquote>
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-sm text-soft flex-1 min-w-48">
          {item.lastWord}
          {item.nextTryAt !== null &&
            item.state === 'waiting' &&
            ` Tried ${item.tries} times; again ${moment(item.nextTryAt, zone)}.`}
        </span>
        {mayTryAgain(item.state) && (
          <Button look="plain" disabled={step.isPending} onClick={() => step.mutate('again')}>
            {item.state === 'unsure' ? 'It did not arrive: send again' : 'Send again'}
          </Button>
        )}
        {mayWithdraw(item.state) && (
          <Button look="quiet" disabled={step.isPending} onClick={() => step.mutate('withdraw')}>
            Withdraw
          </Button>
        )}
        {item.state === 'sent' && item.via === 'stand-in' && (
          <Button look="quiet" disabled={step.isPending} onClick={() => step.mutate('bounce')}>
            Let it come back
          </Button>
        )}
      </div>
    </li>
  );
}

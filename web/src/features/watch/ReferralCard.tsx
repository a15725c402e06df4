import type { ReferralView } from '@dewpond/contract';
import { LEVEL_WORDS, type Level } from '@dewpond/core/findings';
import { NEXT_STEPS, OUTCOMES, OWNERS_ANSWERS, TOLD_HOW } from '@dewpond/core/referral';
import { daysBetween, type Day } from '@dewpond/core/units';
import { Check, FileText, Phone } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { May } from '../../parts/May';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { useSession } from '../../data/queries';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { TextField } from '../../ui/Field';
import { classes } from '../../ui/classes';
import { tell } from '../../ui/tell';
import { MessageDialog } from '../../parts/messages/MessageDialog';
import { lateWords } from '../../parts/referrals/lateWords';
import { VetDialog } from './VetDialog';
import { showDay } from '../../browser/times';

type Edit = Pick<ReferralView, 'told' | 'answer' | 'vet' | 'end'>;

/** Writes one step of a referral down; undone by one tap. */
function useStep(referral: ReferralView) {
  const send = useWrite('PUT /api/referrals/:id', {
    write: (_, { edit, version }: { readonly edit: Edit; readonly version: number }) =>
      call('PUT /api/referrals/:id', { id: referral.id, body: { ...edit, version } }),
    onSuccess: ({ version }, { edit }) => {
      const { told, answer, vet, end } = referral;
      const before = { told, answer, vet, end };
      if (JSON.stringify(edit) !== JSON.stringify(before))
        tell('Written down.', { undo: () => send.mutate({ edit: before, version }) });
    },
    tells: true,
  });
  return (change: Partial<Edit>) => {
    const { told, answer, vet, end, version } = referral;
    send.mutate({ edit: { told, answer, vet, end, ...change }, version });
  };
}

/** What a dialog is open for. */
type StepDialog = 'telling' | 'message' | 'reminding' | 'owner' | 'vet' | 'closing';

/** One place a vet should see: how far it has come, and the one thing to do next. */
export function ReferralCard({ referral, today }: { readonly referral: ReferralView; readonly today: Day }) {
  const [doing, setDoing] = useState<StepDialog | null>(null);
  const step = useStep(referral);
  return (
    <li
      className={classes(
        'rounded-card border bg-surface px-4.5 py-3.5',
        referral.end !== null ? 'border-line opacity-80' : 'border-stop',
      )}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
        <p className="text-lg">
          <Link to={`/dogs/${referral.dogId}`} className="font-bold hover:text-pond hover:underline">
            {referral.dog}
          </Link>
          , <b>{referral.placeName}</b>: {referral.words}
        </p>
        <Chip tone={referral.end === null ? 'stop' : 'plain'}>{referral.end === null ? referral.level : 'closed'}</Chip>
      </div>
      <p className="text-sm text-soft first-letter:uppercase">
        {LEVEL_WORDS[referral.level as Level]}
        {referral.end === null && `: by ${showDay(referral.vetBy)}`}. Seen{' '}
        <Link to={`/visits/${referral.visitId}/sheet`} className="text-pond underline">
          {showDay(referral.openedOn)}
        </Link>
        .
      </p>
      <Steps referral={referral} />
      {referral.next !== null && <NextStep referral={referral} next={referral.next} today={today} onDo={setDoing} />}
      {referral.end !== null && (
        <Button look="quiet" className="mt-2" onClick={() => step({ end: null })}>
          Open it again
        </Button>
      )}
      <StepDialogs referral={referral} today={today} doing={doing} onClose={() => setDoing(null)} onStep={step} />
    </li>
  );
}

interface NextStepProps {
  readonly referral: ReferralView;
  readonly next: NonNullable<ReferralView['next']>;
  readonly today: Day;
  readonly onDo: (what: StepDialog) => void;
}

const LINK =
  'inline-flex items-center gap-2 rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale';

/** The one thing to do next, by when, and everything that can be done of it. */
function NextStep({ referral, next, today, onDo }: NextStepProps) {
  const late = referral.dueOn !== null ? daysBetween(referral.dueOn, today) : 0;
  const isWaiting = next === 'hear the vet' || next === 'hear the owner';
  return (
    <>
      <b className={classes('block mt-2', late > 0 ? 'text-stop' : 'text-ink')}>
        Next: {NEXT_STEPS[next].toLowerCase()}
        {lateWords(late)}
        {late <= 0 && referral.dueOn !== null && referral.dueOn > today && `, ${showDay(referral.dueOn)}`}
      </b>
      <div className="flex flex-wrap items-center gap-2 mt-2">
        {referral.phone !== '' && (
          <a href={`tel:${referral.phone}`} className={LINK}>
            <Phone size={17} aria-hidden /> {referral.phone}
          </a>
        )}
        <a href={`/api/referrals/${referral.id}/letter.pdf`} target="_blank" rel="noreferrer" className={LINK}>
          <FileText size={17} aria-hidden /> Letter to the vet
        </a>
        {next === 'tell the owner' && (
          <>
            <May deed="write to owners">
              <Button look="quiet" onClick={() => onDo('message')}>
                Write to the owner
              </Button>
            </May>
            <May deed="follow referrals">
              <Button look="main" onClick={() => onDo('telling')}>
                The owner was told
              </Button>
            </May>
          </>
        )}
        {next === 'hear the owner' && (
          <May deed="follow referrals">
            <Button look="main" onClick={() => onDo('owner')}>
              The owner answered
            </Button>
          </May>
        )}
        {isWaiting && (
          <May deed="write to owners">
            <Button look="quiet" onClick={() => onDo('reminding')}>
              Remind the owner
            </Button>
          </May>
        )}
        {isWaiting && (
          <May deed="vet words">
            <Button look={next === 'hear the vet' ? 'main' : 'quiet'} onClick={() => onDo('vet')}>
              The vet answered
            </Button>
          </May>
        )}
        <May deed="close referrals">
          <Button look={next === 'close' ? 'main' : 'quiet'} onClick={() => onDo('closing')}>
            Close it
          </Button>
        </May>
      </div>
    </>
  );
}

interface StepDialogsProps {
  readonly referral: ReferralView;
  readonly today: Day;
  readonly doing: StepDialog | null;
  readonly onClose: () => void;
  readonly onStep: (change: Partial<Edit>) => void;
}

/** The dialog of what is being done: each writes one step down and closes. */
function StepDialogs({ referral, today, doing, onClose, onStep }: StepDialogsProps) {
  const me = useSession().data?.person.name;
  const about = { dogId: referral.dogId, visitId: referral.visitId, referralId: referral.id };
  const done = (change: Partial<Edit>) => {
    onClose();
    onStep(change);
  };
  // A step is signed: until it is known who does it, none is offered.
  if (me === undefined) return null;
  return (
    <>
      <Pick
        open={doing === 'telling'}
        onClose={onClose}
        title="How was the owner told?"
        choices={TOLD_HOW}
        onPick={(how) => done({ told: { how, on: today, by: me } })}
      />
      {doing === 'message' && (
        <MessageDialog
          about={{ kind: 'vet, please', ...about }}
          onClose={onClose}
          onSent={(channel) =>
            onStep({ told: { how: channel === 'e-mail' ? 'by e-mail' : 'by text message', on: today, by: me } })
          }
        />
      )}
      {doing === 'reminding' && <MessageDialog about={{ kind: 'has a vet looked', ...about }} onClose={onClose} />}
      <Pick
        open={doing === 'owner'}
        onClose={onClose}
        title="What did the owner say?"
        choices={OWNERS_ANSWERS}
        words="In their words, if it matters"
        onPick={(answer, words) => done({ answer: { answer, words, on: today } })}
      />
      {doing === 'vet' && (
        <VetDialog referral={referral} today={today} onClose={onClose} onSaid={(vet) => done({ vet })} />
      )}
      <Pick
        open={doing === 'closing'}
        onClose={onClose}
        title={`Close it: ${referral.dog}, ${referral.placeName}`}
        choices={OUTCOMES}
        onPick={(outcome) => done({ end: { outcome, on: today, by: me } })}
      />
    </>
  );
}

/** What has happened so far, in order, each with its day. */
function Steps({ referral: { told, answer, vet, end } }: { readonly referral: ReferralView }) {
  const said: (readonly [string, Day, string])[] = [
    ...(told ? [[`Owner told ${told.how}`, told.on, told.by] as const] : []),
    ...(answer ? [[`Owner: ${answer.answer}`, answer.on, answer.words] as const] : []),
    ...(vet
      ? [[`${vet.who}: “${vet.words}”`, vet.on, vet.instructionId === null ? '' : 'kept as an instruction'] as const]
      : []),
    ...(end ? [[`Closed: ${end.outcome}`, end.on, end.by] as const] : []),
  ];
  if (said.length === 0) return null;
  return (
    <ol className="mt-2 flex flex-col gap-0.5">
      {said.map(([what, on, by]) => (
        <li key={what} className="flex items-baseline gap-2">
          <Check size={15} aria-hidden className="text-reed shrink-0 self-center" />
          <span className="break-words min-w-0">
            {what} <span className="text-soft text-sm">{[showDay(on), by].filter(Boolean).join(', ')}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}

/** One of a few answers, and a word besides where it helps. */
function Pick<T extends string>({
  open,
  onClose,
  title,
  choices,
  words,
  onPick,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly choices: readonly T[];
  readonly words?: string;
  readonly onPick: (choice: T, words: string) => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <Dialog open={open} onClose={onClose} title={title}>
      {words !== undefined && (
        <div className="mb-3">
          <TextField label={words} value={typed} maxLength={400} onChange={(event) => setTyped(event.target.value)} />
        </div>
      )}
      <div className="flex flex-col gap-2">
        {choices.map((choice) => (
          <Choice key={choice} chosen={false} onClick={() => onPick(choice, typed.trim())} className="text-left">
            <span className="first-letter:uppercase inline-block">{choice}</span>
          </Choice>
        ))}
      </div>
    </Dialog>
  );
}

import type { ReferralView } from '@dewpond/contract';
import type { Task } from '@dewpond/core/tasks';
import { areaOf } from '@dewpond/core/findings';
import { placeOf } from '@dewpond/core/places';
import { addDays, type Day } from '@dewpond/core/units';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/call';
import { useWrite } from '../../api/useWrite';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { LongField, TextField } from '../../ui/Field';

type Vet = NonNullable<ReferralView['vet']>;

/** The care that a vet's word about a place is mostly about; elsewhere the instruction is written on the dog's page. */
const CARE_OF = { ear: 'ear cleaning', eye: 'eyes and face', fold: 'fold care' } as const satisfies Partial<
  Record<string, Task>
>;

type Means = 'words only' | 'leave it' | 'care for it';

/** What the vet said, and what it means for the work: an instruction on the dog, which answers the bar. */
export function VetDialog({
  referral,
  today,
  onClose,
  onSaid,
}: {
  readonly referral: ReferralView;
  readonly today: Day;
  readonly onClose: () => void;
  readonly onSaid: (vet: Vet) => void;
}) {
  const [who, setWho] = useState('');
  const [words, setWords] = useState('');
  const [means, setMeans] = useState<Means>('words only');
  const [until, setUntil] = useState<string>(addDays(today, 14));
  const [days, setDays] = useState('14');
  const area = areaOf(placeOf(referral.place).site);
  const task = area in CARE_OF ? CARE_OF[area as keyof typeof CARE_OF] : null;
  const write = useWrite('POST /api/dogs/:id/instructions', {
    write: async (id): Promise<Vet> => {
      const said = { who: who.trim(), words: words.trim(), on: today };
      if (means === 'words only' || task === null) return { ...said, instructionId: null };
      await call('POST /api/dogs/:id/instructions', {
        id: referral.dogId,
        body: {
          id,
          by: 'vet',
          who: said.who,
          place: placeOf(referral.place),
          says: means === 'leave it' ? { kind: 'bar', task } : { kind: 'interval', task, days: Number(days) },
          from: today,
          until: means === 'leave it' ? until : null,
        },
      });
      return { ...said, instructionId: id };
    },
    onSuccess: onSaid,
  });
  const empty = who.trim() === '' || words.trim() === '';
  return (
    <Dialog
      open
      onClose={onClose}
      title="What did the vet say?"
      says={`About the ${referral.placeName} of ${referral.dog}.`}
    >
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (!empty) write.mutate();
        }}
      >
        <TextField
          label="Who said it"
          value={who}
          maxLength={120}
          autoFocus
          onChange={(event) => setWho(event.target.value)}
        />
        <LongField
          label="In the vet’s words"
          rows={4}
          maxLength={800}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        {task === null ? (
          <p className="text-soft">
            What it means for the work is written down as an{' '}
            <Link to={`/dogs/${referral.dogId}`} className="text-pond underline">
              instruction
            </Link>{' '}
            on {referral.dog}.
          </p>
        ) : (
          <fieldset className="flex flex-col gap-2">
            <legend className="text-sm font-semibold mb-1">What it means for us</legend>
            <div className="flex flex-wrap gap-2">
              {(['words only', 'leave it', 'care for it'] as const).map((each) => (
                <Choice key={each} chosen={means === each} onClick={() => setMeans(each)}>
                  {each === 'words only'
                    ? 'Nothing yet: it stays barred'
                    : each === 'leave it'
                      ? 'Leave it until…'
                      : 'Care for it every…'}
                </Choice>
              ))}
            </div>
            {means === 'leave it' && (
              <div className="max-w-48">
                <TextField
                  label="Until"
                  type="date"
                  min={today}
                  value={until}
                  onChange={(event) => setUntil(event.target.value)}
                />
              </div>
            )}
            {means === 'care for it' && (
              <div className="max-w-48">
                <TextField
                  label="Every so many days"
                  type="number"
                  min={1}
                  max={365}
                  value={days}
                  onChange={(event) => setDays(event.target.value)}
                />
              </div>
            )}
          </fieldset>
        )}
        {write.error && (
          <p role="alert" className="text-stop font-semibold">
            {write.error.message}
          </p>
        )}
        <Button type="submit" look="main" disabled={empty || write.isPending}>
          Write it down
        </Button>
      </form>
    </Dialog>
  );
}

import { instructionFields, vetsWords, type ReferralView } from '@dewpond/contract';
import type { Task } from '@dewpond/core/tasks';
import { areaOf } from '@dewpond/core/findings';
import { placeOf } from '@dewpond/core/places';
import { addDays, type Day } from '@dewpond/core/units';
import { Link } from 'react-router';
import { z } from 'zod';
import { call, refusedUnder } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { typedNumber } from '../../forms/typedNumber';
import { fresh, useDraft } from '../../forms/useDraft';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { LongField, TextField } from '../../ui/Field';
import { FormFoot } from '../../forms/FormFoot';
import { DayField } from '../../forms/DayField';

type ReferralVet = NonNullable<ReferralView['vet']>;

/** The care that a vet's word about a place is mostly about; elsewhere the instruction is written on the dog's page. */
const CARE_OF = { ear: 'ear cleaning', eye: 'eyes and face', fold: 'fold care' } as const satisfies Partial<
  Record<string, Task>
>;

type Means = 'words only' | 'leave it' | 'care for it';

/** The words, and the instruction they make, if they make one. */
const answerFits = z.strictObject({ ...vetsWords.shape, instruction: instructionFields.nullable() });
type VetAnswerForm = z.input<typeof answerFits>;

interface AnswerForm {
  readonly who: string;
  readonly words: string;
  readonly means: Means;
  readonly until: string;
  readonly days: string;
}

function answerOf(
  { who, words, means, until, days }: AnswerForm,
  { place, task, today }: { readonly place: ReferralView['place']; readonly task: Task | null; readonly today: Day },
): VetAnswerForm {
  if (means === 'words only' || task === null) return { who, words, on: today, instruction: null };
  return {
    who,
    words,
    on: today,
    instruction: {
      by: 'vet',
      who,
      place: placeOf(place),
      says: means === 'leave it' ? { kind: 'bar', task } : { kind: 'interval', task, days: typedNumber(days) },
      from: today,
      until: means === 'leave it' ? until : null,
    },
  };
}

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
  readonly onSaid: (vet: ReferralVet) => void;
}) {
  const area = areaOf(placeOf(referral.place).site);
  const task = area in CARE_OF ? CARE_OF[area as keyof typeof CARE_OF] : null;
  const draft = useDraft(
    fresh<AnswerForm>({ who: '', words: '', means: 'words only', until: addDays(today, 14), days: '14' }),
    { as: (form) => answerOf(form, { place: referral.place, task, today }), fits: answerFits },
  );
  const { form, set, field } = draft;
  const { means } = form;
  const write = useWrite('POST /api/dogs/:id/instructions', {
    form: draft,
    write: async (id, { who, words, instruction }: VetAnswerForm): Promise<ReferralVet> => {
      const said = { who: who.trim(), words: words.trim(), on: today };
      if (instruction === null) return { ...said, instructionId: null };
      await call('POST /api/dogs/:id/instructions', { id: referral.dogId, body: { ...instruction, id } }).catch(
        refusedUnder('instruction'),
      );
      return { ...said, instructionId: id };
    },
    onSuccess: onSaid,
  });
  const empty = form.who.trim() === '' || form.words.trim() === '';
  return (
    <Dialog
      open
      onClose={onClose}
      title="What did the vet say?"
      says={`About the ${referral.placeName} of ${referral.dog}.`}
    >
      <form className="flex flex-col gap-3" noValidate onSubmit={draft.submit((body) => write.mutate(body))}>
        <TextField label="Who said it" maxLength={120} autoFocus {...field('who')} />
        <LongField label="In the vet’s words" rows={4} maxLength={800} {...field('words')} />
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
                <Choice key={each} chosen={means === each} onClick={() => set({ means: each })}>
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
                <DayField label="Until" min={today} {...field('until', 'instruction.until')} />
              </div>
            )}
            {means === 'care for it' && (
              <div className="max-w-48">
                <TextField
                  label="Every so many days"
                  type="number"
                  min={1}
                  max={365}
                  {...field('days', 'instruction.says.days')}
                />
              </div>
            )}
          </fieldset>
        )}
        <FormFoot draft={draft} disabled={empty || write.isPending} does="Write it down" />
      </form>
    </Dialog>
  );
}

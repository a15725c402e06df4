import type { FirstSteps as Steps } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { Check } from 'lucide-react';
import { useEffect } from 'react';
import { call } from '../../api/call';
import { usePreferences } from '../../browser/preferences';
import { useSession } from '../../data/queries';
import { useMay } from '../../data/useMay';
import { Button } from '../../ui/Button';
import { ButtonLink } from '../../ui/ButtonLink';
import { Card } from '../../ui/Card';

interface FirstStep {
  readonly key: keyof Steps;
  readonly does: string;
  readonly why: string;
  readonly to: string;
  readonly word: string;
}

/** From an empty book to the first sheet, in the order that works. */
const STEPS: readonly FirstStep[] = [
  {
    key: 'products',
    does: 'What you wash with',
    why: 'Type its label; the sums follow.',
    to: '/mixing/products',
    word: 'Products',
  },
  { key: 'bottles', does: 'Bottles and pumps', why: 'What you measure with.', to: '/mixing/tools', word: 'Tools' },
  {
    key: 'dogs',
    does: 'The first dog',
    why: 'Breed, coat, weight: the care plan is there at once.',
    to: '/dogs/new',
    word: 'Add a dog',
  },
  { key: 'bookings', does: 'Its booking', why: 'The plan says when and how long.', to: '/ahead', word: 'Ahead' },
  {
    key: 'visits',
    does: 'The first visit, closed',
    why: 'The owner’s sheet writes itself.',
    to: '/dogs',
    word: 'Dogs',
  },
  {
    key: 'people',
    does: 'The others who work here',
    why: 'Each with their own name on what they do.',
    to: '/house/people',
    word: 'Invite',
  },
];

/** The checklist of a new business, until its first visit is closed or somebody puts it away. */
export function FirstSteps() {
  const businessId = useSession().data?.business.id ?? '';
  const may = useMay('house ways');
  const begun = usePreferences((own) => own.begun.includes(businessId));
  const setBegun = usePreferences((own) => own.setBegun);
  const isAsked = may && businessId !== '' && !begun;
  const { data } = useQuery({
    queryKey: ['first steps'],
    queryFn: () => call('GET /api/first-steps'),
    enabled: isAsked,
  });
  const isDone = data?.visits === true;
  useEffect(() => {
    if (isAsked && isDone) setBegun(businessId);
  }, [isAsked, isDone, businessId, setBegun]);
  if (!isAsked || !data || isDone) return null;
  const next = STEPS.find(({ key }) => !data[key]);
  return (
    <Card
      title="First steps"
      aside={
        <Button look="quiet" onClick={() => setBegun(businessId)}>
          Put away
        </Button>
      }
    >
      <ol className="flex flex-col divide-y divide-line">
        {STEPS.map((step) => (
          <StepLine key={step.key} step={step} isDone={data[step.key]} isNext={step === next} />
        ))}
      </ol>
    </Card>
  );
}

function StepLine({
  step,
  isDone,
  isNext,
}: {
  readonly step: FirstStep;
  readonly isDone: boolean;
  readonly isNext: boolean;
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
      <span className="grid place-items-center size-7 rounded-full border border-line shrink-0">
        {isDone && <Check size={18} className="text-pond" aria-label="done" />}
      </span>
      <span className="flex-1 min-w-52">
        <b className={isDone ? 'font-normal text-soft' : ''}>{step.does}</b>
        {!isDone && <span className="block text-sm text-soft">{step.why}</span>}
      </span>
      {!isDone && (
        <ButtonLink to={step.to} look={isNext ? 'main' : 'quiet'}>
          {step.word}
        </ButtonLink>
      )}
    </li>
  );
}

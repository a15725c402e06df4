import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { v7 } from 'uuid';
import { Refused, call } from '../../api/call';
import { refreshAll } from '../../api/queries';
import { Button, ButtonLink } from '../../ui/Button';
import { tell } from '../../ui/toasts';

interface BeginProps {
  readonly dogId: string;
  readonly appointmentId: string | null;
  readonly visitId: string | null;
  readonly done: boolean;
  readonly small?: boolean;
}

/** Begin, go on, or see the sheet: whatever comes next for this booking. */
export function BeginVisit({ dogId, appointmentId, visitId, done, small = false }: BeginProps) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: async () => (await call('POST /api/visits', { body: { id: v7(), dogId, appointmentId } })).id,
    onSuccess: (id) => {
      void refreshAll();
      void navigate(`/visits/${id}`);
    },
    onError: (error) => {
      const begun =
        error instanceof Refused && error.status === 409
          ? (error.problem.current as { id?: string } | undefined)
          : undefined;
      if (begun?.id) void navigate(`/visits/${begun.id}`);
      else tell(error.message, { tone: 'stop' });
    },
  });
  const shape = small ? 'w-full min-h-9! px-2! text-[15px]' : '';
  if (done && visitId) {
    return (
      <ButtonLink to={`/visits/${visitId}/sheet`} look="quiet" className={shape}>
        Sheet
      </ButtonLink>
    );
  }
  if (visitId) {
    return (
      <ButtonLink to={`/visits/${visitId}`} look="main" className={shape}>
        Go on
      </ButtonLink>
    );
  }
  return (
    <Button look={small ? 'plain' : 'main'} onClick={() => begin.mutate()} disabled={begin.isPending} className={shape}>
      {small ? 'To the table' : 'Begin visit'}
    </Button>
  );
}

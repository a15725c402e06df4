import { ownWork } from '../../data/device';
import { useNavigate } from 'react-router';
import { serverOffset } from '../../api/serverClock';
import { Refused, call } from '../../api/call';
import { useMay } from '../../data/useMay';
import { useWrite } from '../../data/useWrite';
import { useSession } from '../../data/queries';
import { beginHere } from '../../data/prefetch';
import { Button } from '../../ui/Button';
import { ButtonLink } from '../../ui/ButtonLink';
import { tell } from '../../ui/tell';

interface BeginProps {
  readonly dogId: string;
  readonly appointmentId: string | null;
  readonly visitId: string | null;
  readonly done: boolean;
  readonly small?: boolean;
  /** Whose visit it is, where several stand side by side. */
  readonly dog?: string;
}

/** A server that does not answer for so long is away: the visit begins on the device. */
const PATIENCE_MS = 6000;

/** Begins a visit at the server, or on this device where the server cannot be reached and the booking was carried along. */
async function beginVisit(id: string, dogId: string, appointmentId: string | null, person: string): Promise<string> {
  const begun = { at: Date.now(), offset: serverOffset() };
  try {
    await call('POST /api/visits', { body: { id, dogId, appointmentId, begun }, patience: PATIENCE_MS });
    return id;
  } catch (error) {
    if (error instanceof Refused && error.status < 500) throw error;
    const here = await beginHere(id, appointmentId, dogId).catch(() => null);
    if (!here) throw new Error('No network, and this dog is not among those on this device.', { cause: error });
    await ownWork.addVisit({ id, person, dogId, appointmentId, begun, refused: null });
    return id;
  }
}

/** Begin, go on, or see the sheet: whatever comes next for this booking. */
export function BeginVisit({ dogId, appointmentId, visitId, done, small = false, dog }: BeginProps) {
  const navigate = useNavigate();
  const mayWork = useMay('work');
  const person = useSession().data?.person.id ?? '';
  const begin = useWrite('POST /api/visits', {
    write: (id) => beginVisit(id, dogId, appointmentId, person),
    onSuccess: (id) => {
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
  const named = (words: string) => (dog === undefined ? {} : { 'aria-label': `${dog}: ${words}` });
  const shape = small ? 'w-full min-h-9! px-2! text-[15px]' : '';
  if (done && visitId) {
    return (
      <ButtonLink to={`/visits/${visitId}/sheet`} look="quiet" className={shape} {...named('sheet')}>
        Sheet
      </ButtonLink>
    );
  }
  if (visitId) {
    return (
      <ButtonLink to={`/visits/${visitId}`} look="main" className={shape} {...named('go on')}>
        Go on
      </ButtonLink>
    );
  }
  if (!mayWork) return null;
  return (
    <Button
      look={small ? 'plain' : 'main'}
      onClick={() => begin.mutate()}
      disabled={begin.isPending}
      className={shape}
      {...named('to the table')}
    >
      {small ? 'To the table' : 'Begin visit'}
    </Button>
  );
}

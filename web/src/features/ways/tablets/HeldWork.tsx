import type { HeldGroup, TabletView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../../api/call';
import { clock, moment } from '../../../browser/times';
import { useSession } from '../../../data/queries';
import { useMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Waiting } from '../../../ui/Waiting';

/** What a lost tablet had recorded and handed over, one person's work at one visit at a time. */
export function HeldWork({ tablet }: { readonly tablet: TabletView }) {
  const may = useMay('keep people');
  const query = useQuery({
    queryKey: ['tablets', tablet.id, 'held', tablet.waiting],
    queryFn: async () => (await call('GET /api/tablets/:id/held', { id: tablet.id })).items,
    enabled: may,
  });
  if (!may) return tablet.waiting > 0 ? <p className="mt-3">An owner-manager decides what of it is taken in.</p> : null;
  return (
    <Waiting query={query} what="What it had recorded">
      {(groups) =>
        groups.length === 0 ? (
          <p className="mt-3 text-soft">It has handed nothing over yet.</p>
        ) : (
          <ul className="mt-3 divide-y divide-line" aria-label="What it had recorded">
            {groups.map((its) => (
              <Held key={`${its.visitId} ${its.memberId}`} its={its} tabletId={tablet.id} />
            ))}
          </ul>
        )
      }
    </Waiting>
  );
}

const counted = (count: number, one: string, more: string): string[] =>
  count === 0 ? [] : [count === 1 ? `one ${one}` : `${count} ${more}`];

function Held({ its, tabletId }: { readonly its: HeldGroup; readonly tabletId: string }) {
  const zone = useSession().data?.business.zone ?? 'UTC';
  const { visitId, memberId } = its;
  const decide = useWrite('POST /api/tablets/:id/held', {
    write: (_, take: boolean) =>
      call('POST /api/tablets/:id/held', { id: tabletId, body: { visitId, memberId, take } }),
    tells: true,
  });
  const what = [...counted(its.entries, 'entry', 'entries'), ...counted(its.pictures, 'picture', 'pictures')];
  return (
    <li className="py-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <span className="flex-1 min-w-64">
        <b>{its.dog ?? 'A visit begun there'}</b>, by {its.person}
        <span className="block text-sm text-soft">
          {moment(its.from, zone)}
          {clock(its.to, zone) !== clock(its.from, zone) && ` to ${clock(its.to, zone)}`}:{' '}
          {what.join(', ') || 'begun, and nothing written'}
        </span>
        {its.refused.map((words) => (
          <span key={words} className="block text-sm text-stop font-semibold">
            Not all could be taken in: {words}
          </span>
        ))}
      </span>
      {its.state === 'waiting' ? (
        <span className="flex gap-3">
          <Button look="quiet" disabled={decide.isPending} onClick={() => decide.mutate(false)}>
            Leave it out
          </Button>
          <Button look="main" disabled={decide.isPending} onClick={() => decide.mutate(true)}>
            Take it in
          </Button>
        </span>
      ) : (
        <span className="text-soft">
          {its.state === 'taken' ? 'taken in' : 'left out'} by {its.decidedBy}
        </span>
      )}
    </li>
  );
}

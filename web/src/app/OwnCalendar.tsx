import { useQuery } from '@tanstack/react-query';
import { call } from '../api/call';
import { useWrite } from '../data/useWrite';
import { queryClient } from '../data/queries';
import { Button } from '../ui/Button';

/** One's own bookings in the calendar program one has anyway. */
export function OwnCalendar() {
  const feed = useQuery({ queryKey: ['own calendar'], queryFn: () => call('GET /api/me/calendar') });
  const set = useWrite('PUT /api/me/calendar', {
    write: (_, open: boolean) => call('PUT /api/me/calendar', { body: { open } }),
    onSuccess: (now) => queryClient.setQueryData(['own calendar'], now),
  });
  const url = feed.data?.url ?? null;
  return (
    <section className="mb-4" aria-label="Your calendar">
      <h3 className="text-sm font-semibold mb-1">Your bookings as a calendar</h3>
      {url === null ? (
        <Button look="quiet" disabled={set.isPending || !feed.data} onClick={() => set.mutate(true)}>
          Open a calendar address
        </Button>
      ) : (
        <>
          <input
            readOnly
            aria-label="Address of your calendar"
            value={url}
            onFocus={(event) => event.target.select()}
            className="w-full rounded-xl border border-line bg-paper px-3 min-h-11 text-sm mb-2"
          />
          <p className="text-sm text-soft mb-2">
            Anyone who has this address sees your bookings. Subscribe to it, do not share it.
          </p>
          <span className="flex gap-2">
            <Button look="quiet" onClick={() => set.mutate(true)}>
              A new address
            </Button>
            <Button look="stop" onClick={() => set.mutate(false)}>
              Close it
            </Button>
          </span>
        </>
      )}
    </section>
  );
}

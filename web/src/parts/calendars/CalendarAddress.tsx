import { useQuery } from '@tanstack/react-query';
import { call } from '../../api/call';
import { queryClient } from '../../data/queries';
import { useWrite } from '../../data/useWrite';
import { Button } from '../../ui/Button';

type Whose = 'me' | 'business';

interface CalendarAddressProps {
  readonly whose: Whose;
  /** Who has it sees these: "your bookings". */
  readonly shows: string;
}

/** Bookings in the calendar program one has anyway, under an address that can be opened anew and closed. */
export function CalendarAddress({ whose, shows }: CalendarAddressProps) {
  const feed = useQuery({ queryKey: ['calendar address', whose], queryFn: () => call(`GET /api/${whose}/calendar`) });
  const set = useWrite(`PUT /api/${whose}/calendar`, {
    write: (_, open: boolean) => call(`PUT /api/${whose}/calendar`, { body: { open } }),
    onSuccess: (now) => queryClient.setQueryData(['calendar address', whose], now),
  });
  const url = feed.data?.url ?? null;
  if (url === null)
    return (
      <Button look="quiet" disabled={set.isPending || !feed.data} onClick={() => set.mutate(true)}>
        Open a calendar address
      </Button>
    );
  return (
    <>
      <input
        readOnly
        aria-label={`Address of the calendar of ${shows}`}
        value={url}
        onFocus={(event) => event.target.select()}
        className="w-full rounded-xl border border-line bg-paper px-3 min-h-11 text-sm mb-2"
      />
      <p className="text-sm text-soft mb-2">
        Anyone who has this address sees {shows}. Subscribe to it, do not share it.
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
  );
}

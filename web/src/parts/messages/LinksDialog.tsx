import type { OwnerLinkView } from '@dewpond/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/call';
import { useWrite } from '../../data/useWrite';
import { queryClient } from '../../data/queries';
import { moment } from '../../browser/times';
import { useNow } from '../../browser/useNow';
import { useZone } from '../../data/useUnits';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Dialog } from '../../ui/Dialog';
import { SelectField } from '../../ui/SelectField';
import { Empty, Waiting } from '../../ui/Waiting';
import { tell } from '../../ui/tell';

const DAYS = [14, 60, 365] as const;

/** Private pages of one dog's owner: make one, hand it over, see whether it was opened, close it. */
export function LinksDialog({
  dogId,
  dog,
  onClose,
}: {
  readonly dogId: string;
  readonly dog: string;
  readonly onClose: () => void;
}) {
  const links = useQuery({
    queryKey: ['links', dogId],
    queryFn: async () => (await call('GET /api/dogs/:id/links', { id: dogId })).items,
    // Whether it was seen changes elsewhere.
    staleTime: 0,
  });
  const [days, setDays] = useState('60');
  const again = () => queryClient.invalidateQueries({ queryKey: ['links', dogId] });
  const make = useWrite('POST /api/links', {
    write: (id) => call('POST /api/links', { body: { id, dogId, days: Number(days) } }),
    onSuccess: again,
  });
  const revoke = useWrite('PUT /api/links/:id/revoke', {
    write: (_, id: string) => call('PUT /api/links/:id/revoke', { id, body: {} }),
    onSuccess: again,
  });
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${dog}: the owner’s page`}
      says="Anyone who has the link sees this dog’s sheets and dates, nothing else, without signing in."
    >
      <div className="flex items-end gap-3 mb-4">
        <div className="w-44">
          <SelectField label="Open for" value={days} onChange={(event) => setDays(event.target.value)}>
            {DAYS.map((each) => (
              <option key={each} value={each}>
                {each === 365 ? 'a year' : `${each} days`}
              </option>
            ))}
          </SelectField>
        </div>
        <Button look="main" onClick={() => make.mutate()} disabled={make.isPending}>
          Make a link
        </Button>
      </div>
      <Waiting query={links} what="The links">
        {(items) =>
          items.length === 0 ? (
            <Empty words="No link yet. A sheet that is sent makes its own." />
          ) : (
            <ul className="flex flex-col gap-2">
              {items.map((link) => (
                <LinkRow key={link.id} link={link} onRevoke={() => revoke.mutate(link.id)} />
              ))}
            </ul>
          )
        }
      </Waiting>
    </Dialog>
  );
}

function LinkRow({ link, onRevoke }: { readonly link: OwnerLinkView; readonly onRevoke: () => void }) {
  const zone = useZone();
  const now = useNow(60_000);
  const over = new Date(link.expiresAt).getTime() < now;
  const shut = link.revokedAt !== null || over;
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(link.url);
      tell('The link is on the clipboard.');
    } catch {
      tell('This device does not let us copy. Open the page and copy its address.', { tone: 'stop' });
    }
  };
  return (
    <li className="rounded-xl border border-line px-3 py-2.5">
      <p className="flex flex-wrap items-center gap-2 mb-1.5">
        {link.revokedAt !== null ? (
          <Chip tone="stop">closed by the salon</Chip>
        ) : over ? (
          <Chip>run out</Chip>
        ) : (
          <Chip tone="good">open until {moment(link.expiresAt, zone)}</Chip>
        )}
        <Chip tone={link.seenAt === null ? 'plain' : 'pond'}>
          {link.seenAt === null ? 'not seen yet' : `seen ${moment(link.seenAt, zone)}`}
        </Chip>
      </p>
      <p className="text-sm text-soft mb-2">
        Made by {link.createdBy}, {moment(link.createdAt, zone)}
      </p>
      {!shut && (
        <span className="flex flex-wrap gap-2">
          <Button look="plain" onClick={() => void copy()}>
            Copy the link
          </Button>
          <a
            href={link.url}
            target="_blank"
            rel="noreferrer"
            className="inline-flex items-center rounded-xl border border-line font-semibold px-4 min-h-11 hover:bg-pond-pale"
          >
            Look at it
          </a>
          <Button look="stop" onClick={onRevoke}>
            Close it
          </Button>
        </span>
      )}
    </li>
  );
}

import type { ResponseOf } from '@dewpond/contract';
import { DEEDS, DEED_IDS, ROLES, ROLE_NAMES, oneOfRole, whoMay, type Deed, type Role } from '@dewpond/core/rights';
import { useQuery } from '@tanstack/react-query';
import { group } from 'd3-array';
import { Check } from 'lucide-react';
import { call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { useMay, useWhoMay } from '../../../data/useMay';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { ButtonLink } from '../../../ui/ButtonLink';
import { classes } from '../../../ui/classes';
import { tell } from '../../../ui/tell';
import { Waiting } from '../../../ui/Waiting';

type HouseTable = ResponseOf<'GET /api/rights'>;

const AREAS: Readonly<Record<(typeof DEEDS)[Deed]['area'], string>> = {
  clients: 'Clients',
  dogs: 'Dogs',
  table: 'At the table',
  owners: 'Owners',
  weeks: 'Bookings',
  shelf: 'Mixing bench',
  business: 'The business',
};

/** Who may what: the table as it is shipped, with what the house changes in it. */
export function RightsScreen() {
  const query = useQuery({ queryKey: ['rights'], queryFn: () => call('GET /api/rights') });
  const whoMayChange = useWhoMay('say rights');
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-5xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Who may what</h1>
          <p className="text-soft">
            What is not here, everybody may. {whoMayChange ?? 'What you change holds at once; a dot marks it.'}
          </p>
        </div>
        <ButtonLink to="/house" look="quiet">
          House ways
        </ButtonLink>
      </header>
      <Waiting query={query} what="Who may what">
        {(view) => <RightsTable view={view} />}
      </Waiting>
    </div>
  );
}

function RightsTable({ view }: { readonly view: HouseTable }) {
  const { version, own } = view;
  const mayChange = useMay('say rights');
  const save = useWrite('PUT /api/rights', {
    write: (_, next: { readonly own: HouseTable['own']; readonly words: string }) =>
      call('PUT /api/rights', { body: { version, own: next.own } }),
    onSuccess: (after, { words }) =>
      tell(words, {
        undo: () =>
          void call('PUT /api/rights', { body: { version: after.version, own } }).then(
            () => makeStale(['PUT /api/rights']),
            (error: Error) => tell(error.message, { tone: 'stop' }),
          ),
      }),
    tells: true,
  });
  const set = (deed: Deed, role: Role, may: boolean) => {
    const who = whoMay(deed, own).filter((each) => each !== role && each !== 'manager');
    save.mutate({
      own: { ...own, [deed]: ROLES.filter((each) => who.includes(each) || (may && each === role)) },
      words: `${oneOfRole(role)} ${may ? 'may' : 'may no longer'} ${DEEDS[deed].does}.`,
    });
  };
  const asShipped = (deed: Deed) => {
    const { [deed]: _, ...rest } = own;
    save.mutate({ own: rest, words: `As shipped again: ${DEEDS[deed].does}.` });
  };
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-separate border-spacing-0">
        <thead>
          <tr>
            <th scope="col" className="text-left text-sm text-soft font-semibold pb-2">
              May
            </th>
            {ROLES.map((role) => (
              <th
                key={role}
                scope="col"
                className="text-sm max-md:text-[11px] font-semibold px-1 max-md:px-0.5 pb-2 first-letter:uppercase w-24 max-md:w-12"
              >
                {ROLE_NAMES[role]}
              </th>
            ))}
          </tr>
        </thead>
        {[...group(DEED_IDS, (deed) => DEEDS[deed].area)].map(([area, deeds]) => (
          <tbody key={area}>
            <tr>
              <th scope="colgroup" colSpan={1 + ROLES.length} className="text-left font-bold pt-4 pb-1">
                {AREAS[area]}
              </th>
            </tr>
            {deeds.map((deed) => (
              <DeedLine
                key={deed}
                deed={deed}
                own={own}
                disabled={!mayChange || save.isPending}
                onSet={(role, may) => set(deed, role, may)}
                onShipped={mayChange ? () => asShipped(deed) : null}
              />
            ))}
          </tbody>
        ))}
      </table>
    </div>
  );
}

interface DeedLineProps {
  readonly deed: Deed;
  readonly own: HouseTable['own'];
  readonly disabled: boolean;
  readonly onSet: (role: Role, may: boolean) => void;
  readonly onShipped: (() => void) | null;
}

function DeedLine({ deed, own, disabled, onSet, onShipped }: DeedLineProps) {
  const who = whoMay(deed, own);
  const shipped = whoMay(deed, {});
  const { does } = DEEDS[deed];
  return (
    <tr>
      <th scope="row" className="text-left font-normal border-t border-line py-1 pr-3">
        <span className="flex flex-wrap items-center justify-between gap-x-3">
          {does}
          {own[deed] !== undefined && onShipped && (
            <Button look="quiet" disabled={disabled} onClick={onShipped} aria-label={`${does}: as shipped`}>
              As shipped
            </Button>
          )}
        </span>
      </th>
      {ROLES.map((role) => {
        const may = who.includes(role);
        const isOwn = may !== shipped.includes(role);
        const isFixed = role === 'manager' || 'fixed' in DEEDS[deed];
        return (
          <td key={role} className="border-t border-line text-center align-middle py-1 px-1 max-md:px-0.5">
            <button
              type="button"
              aria-pressed={may}
              aria-label={`${ROLE_NAMES[role]}: ${does}`}
              disabled={disabled || isFixed}
              onClick={() => onSet(role, !may)}
              className={classes(
                'relative inline-grid align-middle place-items-center w-16 max-md:w-11 min-h-11 rounded-xl border',
                may ? 'bg-pond-pale border-pond text-pond' : 'border-line',
                isFixed ? 'border-transparent bg-transparent' : 'enabled:hover:ring-2 ring-pond',
              )}
            >
              {may && <Check size={20} aria-hidden />}
              {isOwn && <span aria-hidden className="absolute top-1 right-1 w-2 h-2 rounded-full bg-watch" />}
            </button>
          </td>
        );
      })}
    </tr>
  );
}

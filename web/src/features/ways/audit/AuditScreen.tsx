import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { call } from '../../../api/call';
import { moment } from '../../../browser/times';
import { useZone } from '../../../data/useUnits';
import { ButtonLink } from '../../../ui/ButtonLink';
import { Chip, type Tone } from '../../../ui/Chip';
import { Empty, Waiting } from '../../../ui/Waiting';

const TONES: Readonly<Record<string, Tone>> = { changed: 'watch', sent: 'pond', 'gave away': 'stop' };

/** Who saw, changed, sent, gave away: of all, or of one dog or client. */
export function AuditScreen() {
  const [search] = useSearchParams();
  const about = search.get('about');
  const zone = useZone();
  const query = useQuery({
    queryKey: ['audit', about],
    queryFn: async () => (await call('GET /api/audit', about === null ? {} : { query: { about } })).items,
  });
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4 max-w-4xl">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Who did what</h1>
          <p className="text-soft">
            {about === null ? 'In the whole book, newest first. ' : 'About this one, newest first. '}
            Looking at a page counts once a day. Nothing here can be changed or removed.
          </p>
        </div>
        {about === null ? (
          <ButtonLink to="/house" look="quiet">
            House ways
          </ButtonLink>
        ) : (
          <Link to="/house/audit" className="text-pond underline font-semibold">
            The whole book
          </Link>
        )}
      </header>
      <Waiting query={query} what="Who did what">
        {(items) =>
          items.length === 0 ? (
            <Empty words="Nothing is noted down yet." />
          ) : (
            <ul className="rounded-card border border-line bg-surface divide-y divide-line">
              {items.map(({ id, at, person, what, about: subject, name, words }) => (
                <li
                  key={id}
                  className="grid grid-cols-[170px_150px_100px_1fr] max-md:grid-cols-2 gap-x-3 items-center px-4 py-2"
                >
                  <span className="text-soft tabular-nums">{moment(at, zone)}</span>
                  <b className="truncate">{person}</b>
                  <span>
                    <Chip tone={TONES[what] ?? 'plain'}>{what}</Chip>
                  </span>
                  <span className="min-w-0 break-words">
                    {subject !== null && about === null && name !== null && (
                      <Link to={`/house/audit?about=${subject}`} className="text-pond underline font-semibold mr-2">
                        {name}
                      </Link>
                    )}
                    {words}
                  </span>
                </li>
              ))}
            </ul>
          )
        }
      </Waiting>
    </div>
  );
}

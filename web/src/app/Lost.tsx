import { Link, useRouteError } from 'react-router';

/** Nothing here, or something broke: what happened, what was kept, what to do. */
export function Lost() {
  const error = useRouteError();
  return (
    <div className="p-8 max-w-lg">
      <h1>{error instanceof Error ? 'This screen broke.' : 'There is nothing here.'}</h1>
      <p className="my-3">
        {error instanceof Error
          ? 'What you had saved is kept. Go back and try again; if it breaks again, tell whoever looks after Dewpond.'
          : 'The address may be old.'}
      </p>
      {error instanceof Error && <p className="text-sm text-soft mb-3">{error.message}</p>}
      <Link className="text-pond font-semibold underline" to="/">
        To Today
      </Link>
    </div>
  );
}

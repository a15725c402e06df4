import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Button } from './Button';

/** Shows a query's data, or that it is coming, or why it is not and what to do. */
export function Waiting<T>({
  query,
  and = [],
  what,
  children,
}: {
  readonly query: UseQueryResult<T>;
  /** What is shown along with it and would push things from under the finger if it came later; may fail. */
  readonly and?: readonly Pick<UseQueryResult, 'isLoading' | 'isFetched'>[];
  readonly what: string;
  readonly children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined && !and.some(({ isLoading, isFetched }) => isLoading && !isFetched))
    return <>{children(query.data)}</>;
  // It is not for whoever asks: to try again is no use, and nothing is wrong.
  if (query.error && 'status' in query.error && query.error.status === 403)
    return <p className="m-6 max-w-lg rounded-card border border-line bg-surface p-5">{query.error.message}</p>;
  if (query.error) {
    return (
      <div role="alert" className="m-6 max-w-lg rounded-card border border-stop bg-stop-pale p-5">
        <p className="font-bold text-stop">{what} could not be loaded.</p>
        <p className="my-2">{query.error.message}</p>
        <Button onClick={() => void query.refetch()}>Try again</Button>
      </div>
    );
  }
  return <Coming what={what} />;
}

/** It is on its way. */
export const Coming = ({ what }: { readonly what: string }) => (
  <p role="status" className="m-6 text-soft">
    {what}…
  </p>
);

/** An empty place that says what to do first. */
export function Empty({ words, children }: { readonly words: string; readonly children?: ReactNode }) {
  return (
    <div className="rounded-card border border-dashed border-line p-6 text-center">
      <p className="text-soft mb-3">{words}</p>
      {children}
    </div>
  );
}

import { withOwnBreeds, type Catalogue } from '@dewpond/core/catalogue';
import { useMemo } from 'react';
import { useBusiness } from './queries';

/** The breeds this business works with; the shipped ones until the business is known. */
export function useCatalogue(): Catalogue {
  const own = useBusiness().data?.ownBreeds;
  return useMemo(() => withOwnBreeds((own ?? []).map(({ breed }) => breed)), [own]);
}

import { findDogs, indexDogs, type DogIndex, type Findable } from '../features/dogs/findDogs';

export type SearchAsked =
  | { readonly kind: 'index'; readonly items: readonly Findable[] }
  | { readonly kind: 'find'; readonly n: number; readonly words: string };
/** The n-th question answered. */
export interface SearchFound {
  readonly n: number;
  readonly ids: readonly string[] | null;
}

let index: DogIndex = indexDogs([]);

self.onmessage = ({ data }: MessageEvent<SearchAsked>) => {
  if (data.kind === 'index') index = indexDogs(data.items);
  else self.postMessage({ n: data.n, ids: findDogs(index, data.words) } satisfies SearchFound);
};

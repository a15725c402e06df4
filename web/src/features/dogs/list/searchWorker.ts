import { findDogs, indexDogs, type DogIndex, type Findable } from './findDogs';

export type SearchAsked =
  | { readonly kind: 'index'; readonly items: readonly Findable[] }
  | { readonly kind: 'find'; readonly n: number; readonly words: string };
/** The n-th question answered. */
export interface SearchFound {
  readonly n: number;
  /** Places in the list; numbers are handed over, not copied. */
  readonly places: Uint32Array<ArrayBuffer> | null;
}

let index: DogIndex = indexDogs([]);

self.onmessage = ({ data }: MessageEvent<SearchAsked>) => {
  if (data.kind === 'index') index = indexDogs(data.items);
  else {
    const found = findDogs(index, data.words);
    const places = found && Uint32Array.from(found);
    self.postMessage({ n: data.n, places } satisfies SearchFound, { transfer: places ? [places.buffer] : [] });
  }
};

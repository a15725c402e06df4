import type { SheetPhoto } from '@dewpond/contract';
import { useEffect, useMemo, useState } from 'react';
import { ownerFile } from './ownerCall';

/** Pictures are fetched with the link's secret, so that their addresses need none; those that have arrived. */
export function usePictures<P extends { readonly id: string }>(
  photos: readonly P[],
  from: string,
): (P & { readonly src: string })[] {
  const [sources, setSources] = useState<Readonly<Record<string, string>>>({});
  useEffect(() => {
    let away = false;
    const made: string[] = [];
    for (const { id } of photos)
      void ownerFile(`${from}/${id}`)
        .then((src) => {
          made.push(src);
          if (!away) setSources((before) => ({ ...before, [id]: src }));
        })
        .catch(() => undefined);
    return () => {
      away = true;
      for (const src of made) URL.revokeObjectURL(src);
    };
  }, [photos, from]);
  return photos.flatMap((photo) => {
    const src = sources[photo.id];
    return src === undefined ? [] : [{ ...photo, src }];
  });
}

type OwnersPicture = Omit<SheetPhoto, 'beside'>;
type Arrived<P> = P & { readonly src: string };

/** Pictures of a sheet, each with the one beside it; one that has not arrived is left out. */
export function usePairs(
  photos: readonly SheetPhoto[],
): readonly (Arrived<OwnersPicture> & { readonly beside: Arrived<OwnersPicture> | null })[] {
  const all = useMemo(
    () => photos.flatMap(({ beside, ...picture }): OwnersPicture[] => (beside ? [beside, picture] : [picture])),
    [photos],
  );
  const arrived = usePictures(all, '/api/owner/photos');
  return photos.flatMap(({ id, beside }) => {
    const picture = arrived.find((each) => each.id === id);
    return picture ? [{ ...picture, beside: arrived.find((each) => each.id === beside?.id) ?? null }] : [];
  });
}

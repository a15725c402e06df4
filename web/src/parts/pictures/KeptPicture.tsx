import { useEffect, useState } from 'react';
import { storage } from '../../data/device';

/** From this device while it waits to be sent, else from the server. */
export function KeptPicture({ photo, alt }: { readonly photo: string; readonly alt: string }) {
  const [here, setHere] = useState<string | null>(null);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let url: string | null = null;
    void storage.photos.get(photo).then((row) => {
      url = row ? URL.createObjectURL(row.bytes) : null;
      setHere(url ?? `/api/photos/${photo}`);
    });
    return () => {
      if (url !== null) URL.revokeObjectURL(url);
    };
  }, [photo]);
  if (here === null || missing)
    return (
      <div className="grid place-items-center w-full aspect-[4/3] rounded-lg border border-line text-sm text-soft text-center">
        {missing ? 'Not here without a network' : ''}
      </div>
    );
  return (
    <img
      src={here}
      alt={alt}
      onError={() => setMissing(true)}
      className="w-full aspect-[4/3] object-cover rounded-lg border border-line"
    />
  );
}

import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';

/** How strong the earlier picture lies over the camera. */
const GHOSTS = { strong: 0.6, faint: 0.35, off: 0 } as const;
type GhostStrength = keyof typeof GHOSTS;

/** Width to height of what is seen and kept. */
const SHAPE = 4 / 3;

interface SameAngleProps {
  /** "left eye" */
  readonly place: string;
  /** The picture to match, and of when it is. */
  readonly ghost: { readonly src: string; readonly of: string };
  readonly onTaken: (picture: File) => void;
  readonly onClose: () => void;
}

/** The camera with the last picture laid over it: same place, same distance, same angle. */
export function SameAngle({ place, ghost, onTaken, onClose }: SameAngleProps) {
  const [strength, setStrength] = useState<GhostStrength>('faint');
  const { video, failed, isLive } = useCamera();
  const take = () => {
    const from = video.current;
    if (!from || from.videoWidth === 0) return;
    // What was in sight, no more: the frame is cut as the screen cuts it.
    const width = Math.min(from.videoWidth, from.videoHeight * SHAPE);
    const height = width / SHAPE;
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(width);
    canvas.height = Math.round(height);
    const [left, top] = [(from.videoWidth - width) / 2, (from.videoHeight - height) / 2];
    canvas.getContext('2d')?.drawImage(from, left, top, width, height, 0, 0, canvas.width, canvas.height);
    canvas.toBlob(
      (blob) => {
        if (blob) onTaken(new File([blob], `${place}.jpg`, { type: 'image/jpeg' }));
        onClose();
      },
      'image/jpeg',
      0.92,
    );
  };
  return (
    <Dialog open tall onClose={onClose} title={`Same angle, ${place}`} says={`Lay it over the picture of ${ghost.of}.`}>
      {failed !== null ? (
        <p role="alert" className="rounded-xl bg-watch-pale px-3 py-2 font-semibold">
          {failed}
        </p>
      ) : (
        <>
          <div className="relative rounded-xl overflow-hidden border border-line bg-black">
            <video ref={video} autoPlay playsInline muted className="block w-full aspect-[4/3] object-cover" />
            <img
              src={ghost.src}
              alt={`The picture of ${ghost.of}, laid over the camera`}
              className="absolute inset-0 w-full h-full object-cover pointer-events-none"
              style={{ opacity: GHOSTS[strength] }}
            />
          </div>
          <div role="group" aria-label="The earlier picture" className="flex flex-wrap gap-2 mt-3">
            {(Object.keys(GHOSTS) as GhostStrength[]).map((each) => (
              <Choice key={each} chosen={strength === each} onClick={() => setStrength(each)} className="flex-1">
                {each === 'off' ? 'Hide it' : `Show it ${each === 'strong' ? 'strongly' : 'faintly'}`}
              </Choice>
            ))}
          </div>
          <Button look="main" className="w-full min-h-20! text-xl mt-3" disabled={!isLive} onClick={take}>
            {isLive ? 'Take the picture' : 'The camera is waking up…'}
          </Button>
        </>
      )}
    </Dialog>
  );
}

/** The camera at the back, as long as it is looked through. */
function useCamera() {
  const video = useRef<HTMLVideoElement>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const [isLive, setLive] = useState(false);
  useEffect(() => {
    let away = false;
    let stream: MediaStream | null = null;
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1920 }, height: { ideal: 1440 } } })
      .then((its) => {
        stream = its;
        if (away) return stop();
        if (video.current) video.current.srcObject = its;
        setLive(true);
      })
      .catch((error: unknown) => !away && setFailed(whyNot(error)));
    return () => {
      away = true;
      stop();
    };
  }, []);
  return { video, failed, isLive };
}

const whyNot = (error: unknown): string =>
  error instanceof DOMException && error.name === 'NotAllowedError'
    ? 'The camera is not allowed here. Allow it in the settings of this browser, or take the picture with “Picture”.'
    : 'No camera answers on this device. Take the picture with “Picture”.';

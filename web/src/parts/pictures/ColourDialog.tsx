import {
  ALL_COLOURED,
  COLOURED,
  NOT_MEASURED,
  compareColours,
  looksLikeAnother,
  readingOf,
  type Circle,
  type Coloured,
  type ColourReading,
  type Measurement,
} from '@dewpond/core/colour';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { SourceMark } from '../../ui/SourceMark';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { readInWorker, type ColourReader } from './colourReader';
import { FigureScale } from './FigureScale';

type Ring = 'white' | 'spot';
const RINGS: Readonly<Record<Ring, string>> = { white: 'White pad or card', spot: 'What to measure' };
const RADIUS = { white: 0.045, spot: 0.035 } as const;
const STEP = 0.01;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

interface ColourDialogProps {
  readonly picture: Blob;
  /** "left eye" */
  readonly place: string;
  /** What is looked for there first. */
  readonly of: Coloured;
  /** The last colour measured of this place, and its day in words. */
  readonly before: { readonly colour: ColourReading; readonly day: string } | null;
  readonly onKeep: (colour: ColourReading) => void;
  readonly onClose: () => void;
  readonly open?: (picture: Blob) => ColourReader;
}

/** A colour by a white thing in the same picture, on this device: beside the groomer's grade, never instead of it. */
export function ColourDialog({
  picture,
  place,
  before,
  onKeep,
  onClose,
  open = readInWorker,
  ...its
}: ColourDialogProps) {
  const [of, setOf] = useState(before?.colour.of ?? its.of);
  const { rings, move, measurement, failed } = useMeasured(picture, open);
  const [ring, setRing] = useState<Ring>('spot');
  const measured = measurement?.kind === 'measured' ? measurement : null;
  const earlier = before?.colour.of === of ? before : null;
  const keep = () => {
    if (measured) onKeep(readingOf(of, measured));
    onClose();
  };
  return (
    <Dialog
      open
      tall
      wide
      onClose={onClose}
      title={`Colour, ${place}`}
      says="Measured on this device. Nothing is sent."
    >
      <div className="grid grid-cols-[3fr_2fr] max-md:grid-cols-1 gap-5">
        <div>
          <PictureWithRings picture={picture} place={place} rings={rings} ring={ring} onMove={move} />
          <div role="group" aria-label="Which circle to move" className="flex flex-wrap gap-2 mt-3">
            {(Object.keys(RINGS) as Ring[]).map((each) => (
              <Choice key={each} chosen={ring === each} onClick={() => setRing(each)}>
                {RINGS[each]}
              </Choice>
            ))}
          </div>
          <p className="text-soft mt-2">Tap the picture where the circle belongs, or move it by the arrow keys.</p>
        </div>
        <div className="flex flex-col gap-4">
          <div role="group" aria-label="Colour of what" className="flex flex-wrap gap-2">
            {ALL_COLOURED.map((each) => (
              <Choice key={each} chosen={of === each} onClick={() => setOf(each)}>
                {capital(COLOURED[each].name)}
              </Choice>
            ))}
          </div>
          {failed !== null && (
            <p role="alert" className="rounded-xl bg-watch-pale px-3 py-2 font-semibold">
              {failed}
            </p>
          )}
          {measurement?.kind === 'not measured' && (
            <p role="alert" className="rounded-xl bg-watch-pale px-3 py-2 font-semibold">
              {NOT_MEASURED[measurement.because]}
            </p>
          )}
          {failed === null && measurement === null && (
            <p role="status" className="text-soft">
              Looking for the white in this picture…
            </p>
          )}
          {measured && (
            <>
              {COLOURED[of].counts.map((figure) => (
                <FigureScale key={figure} figure={figure} now={measured} before={earlier?.colour ?? null} />
              ))}
              {earlier && <Compared of={of} before={earlier} now={readingOf(of, measured)} />}
              <p className="text-soft text-sm">
                {earlier && `Hollow: ${earlier.day}. `}± is how far the picture may be off, 95 times in 100.{' '}
                <SourceMark
                  source={HOUSE_VALUE}
                  because="White pads, cameras and lamps differ. By daylight the least is unknown, under a yellow bulb the most."
                />{' '}
                Your own grade stays as it is.
              </p>
            </>
          )}
          <Button look="main" className="w-full min-h-16! text-lg" disabled={!measured} onClick={keep}>
            Keep beside the grade
          </Button>
        </div>
      </div>
    </Dialog>
  );
}

const capital = (words: string): string => words.replace(/^./, (letter) => letter.toUpperCase());

interface ComparedProps {
  readonly of: Coloured;
  readonly before: { readonly colour: ColourReading; readonly day: string };
  readonly now: ColourReading;
}

function Compared({ of, before, now }: ComparedProps) {
  const change = compareColours(of, before.colour, now);
  return (
    <p aria-label={`Against ${before.day}`} className="rounded-xl bg-pond-pale px-3 py-2">
      {looksLikeAnother(change)
        ? `Very different from ${before.day}. Is it the same dog, and the same place?`
        : change.says.length > 0
          ? `${capital(change.says.join(', '))} than on ${before.day}.`
          : `No change since ${before.day} that the pictures can tell.`}
    </p>
  );
}

/** Two circles on a picture and what they measure; the white one is looked for when the picture is opened. */
function useMeasured(picture: Blob, open: (picture: Blob) => ColourReader) {
  const [rings, setRings] = useState<Readonly<Record<Ring, Circle | null>>>({
    white: null,
    spot: { x: 0.5, y: 0.5, radius: RADIUS.spot },
  });
  const [measurement, setMeasurement] = useState<Measurement | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const reader = useRef<ColourReader | null>(null);
  useEffect(() => {
    const opened = open(picture);
    reader.current = opened;
    let away = false;
    opened.white
      .then((white) => {
        if (away) return;
        if (white) setRings((before) => ({ ...before, white: before.white ?? { ...white, radius: RADIUS.white } }));
        else setFailed('No white is seen in this picture. Lay a white pad or card beside it, and take it again.');
      })
      .catch((error: unknown) => !away && setFailed(inWords(error)));
    return () => {
      away = true;
      opened.close();
    };
  }, [picture, open]);
  useEffect(() => {
    const { white, spot } = rings;
    if (!white || !spot) return;
    let away = false;
    reader.current
      ?.measure(white, spot)
      .then((found) => !away && setMeasurement(found))
      .catch((error: unknown) => !away && setFailed(inWords(error)));
    return () => {
      away = true;
    };
  }, [rings]);
  const move = (ring: Ring, x: number, y: number) => {
    if (ring === 'white') setFailed(null);
    setRings((before) => ({ ...before, [ring]: { x: within(x), y: within(y), radius: RADIUS[ring] } }));
  };
  return { rings, move, measurement, failed };
}

const inWords = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const within = (share: number): number => Math.min(1, Math.max(0, share));

interface PictureWithRingsProps {
  readonly picture: Blob;
  readonly place: string;
  readonly rings: Readonly<Record<Ring, Circle | null>>;
  readonly ring: Ring;
  readonly onMove: (ring: Ring, x: number, y: number) => void;
}

function PictureWithRings({ picture, place, rings, ring, onMove }: PictureWithRingsProps) {
  const image = useRef<HTMLImageElement>(null);
  const [size, setSize] = useState({ width: 4, height: 3 });
  useEffect(() => {
    const url = URL.createObjectURL(picture);
    if (image.current) image.current.src = url;
    return () => URL.revokeObjectURL(url);
  }, [picture]);
  const at = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onMove(ring, (event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
  };
  const byKey = (event: KeyboardEvent) => {
    const by = ARROWS[event.key];
    if (!by) return;
    event.preventDefault();
    const { x, y } = rings[ring] ?? { x: 0.5, y: 0.5 };
    onMove(ring, x + by[0], y + by[1]);
  };
  const short = Math.min(size.width, size.height);
  return (
    <div
      role="application"
      tabIndex={0}
      aria-label={`The ${place}: ${RINGS[ring]}, move it by the arrow keys`}
      className="relative touch-none cursor-crosshair rounded-lg overflow-hidden border border-line"
      onPointerDown={at}
      onPointerMove={(event) => event.buttons > 0 && at(event)}
      onKeyDown={byKey}
    >
      <img
        ref={image}
        alt=""
        draggable={false}
        className="block w-full"
        onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
          setSize({ width: naturalWidth, height: naturalHeight })
        }
      />
      <svg viewBox={`0 0 ${size.width} ${size.height}`} className="absolute inset-0 w-full h-full" aria-hidden>
        {(Object.keys(RINGS) as Ring[]).map((each) => {
          const circle = rings[each];
          if (!circle) return null;
          const its = { cx: circle.x * size.width, cy: circle.y * size.height, r: circle.radius * short, fill: 'none' };
          return (
            <g key={each} strokeWidth={short / (each === ring ? 90 : 160)}>
              <circle {...its} stroke="#000" />
              <circle {...its} stroke="#fff" strokeDasharray={each === 'white' ? `${short / 40}` : undefined} />
            </g>
          );
        })}
      </svg>
    </div>
  );
}

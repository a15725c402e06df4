import { SHAPE } from './line';

/** Upper teeth of the dog's left half from the middle: three small, the canine, then the cheek teeth. */
const UPPER = [
  'M2,-6 l0,12 q6,4 12,0 l0,-12 Z',
  'M16,-6 l0,12 q6,4 12,0 l0,-12 Z',
  'M30,-6 l1,11 q6,4 11,0 l0,-11 Z',
  'M46,-8 C46,8 52,26 58,34 C64,24 66,6 64,-8 Z',
  'M70,-8 l4,12 l8,0 l4,-12 Z',
  'M90,-10 l5,16 l6,-8 l6,8 l5,-16 Z',
];

/** The lip lifted: gums and teeth from the front, the dog's left on the reader's right. */
export function DogMouth({ className }: { readonly className?: string }) {
  return (
    <svg viewBox="-140 -62 280 128" className={className} role="img" aria-label="Gums and teeth, the lip lifted">
      <path
        {...SHAPE}
        d="M-128,8 C-110,-48 -40,-58 0,-58 C40,-58 110,-48 128,8 C96,52 40,62 0,62 C-40,62 -96,52 -128,8 Z"
      />
      <path
        d="M-118,2 C-96,-30 -40,-34 0,-34 C40,-34 96,-30 118,2 C100,-6 60,-8 0,-8 C-60,-8 -100,-6 -118,2 Z"
        fill="var(--stop-pale)"
        stroke="var(--soft)"
        strokeWidth={1.4}
      />
      {([1, -1] as const).map((s) => (
        <g key={s} transform={`scale(${s},1)`}>
          {UPPER.map((d) => (
            <path key={d} {...SHAPE} strokeWidth={1.6} d={d} />
          ))}
        </g>
      ))}
    </svg>
  );
}

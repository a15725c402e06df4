import { composeTraits } from '@dewpond/core/catalogue';
import { DogHead } from '../DogHead';
import { Arrow, BAD, GOOD, Label } from './parts';

const SHORT_FACE = composeTraits(['shih-tzu'], {}).traits;
const MIDDLE_FACE = composeTraits(['cocker'], {}).traits;

/** Water runs from below the eye to the cheek; fingers cover the eye; the nose is left alone. */
export const FaceWash = () => (
  <DogHead
    traits={{ ...SHORT_FACE, folds: {} }}
    grades={{}}
    className="w-full"
    says="Washing the face: fingers over the eyes, water from below the eye to the cheek, never at the nose."
  >
    {[1, -1].map((s) => (
      <g key={s} transform={`scale(${s},1)`}>
        <path d="M16,-42 C30,-50 52,-46 60,-30" fill="none" stroke={GOOD} strokeWidth={7} strokeLinecap="round" />
        <Arrow d="M34,-2 C44,8 52,18 58,34" at={[59, 36]} turn={68} />
        <Arrow d="M16,72 C26,80 40,78 52,66" at={[53, 65]} turn={-42} />
      </g>
    ))}
    <circle cx={0} cy={30} r={26} fill="none" stroke={BAD} strokeWidth={2.4} strokeDasharray="5 4" />
    <Label x={-154} y={-104} tone={GOOD} bold>
      {['fingers', 'over the eye']}
    </Label>
    <line x1={-86} y1={-96} x2={-58} y2={-44} stroke="var(--soft)" strokeWidth={1} />
    <Label x={154} y={-104} anchor="end" tone="var(--pond)" bold>
      {['from below the', 'eye to the cheek']}
    </Label>
    <line x1={92} y1={-88} x2={56} y2={16} stroke="var(--soft)" strokeWidth={1} />
    <Label x={0} y={132} anchor="middle" tone={BAD} bold>
      no spray at the nose; head tipped down
    </Label>
  </DogHead>
);

/** Crust softened, combed away from the eye. */
export const EyeCorner = () => (
  <DogHead
    traits={{ ...MIDDLE_FACE, folds: {} }}
    grades={{}}
    className="w-full"
    says="The corner of the eye: soften, comb away from the eye and down, never towards it."
  >
    {[1, -1].map((s) => (
      <g key={s} transform={`scale(${s},1)`}>
        <path
          d="M18,-14 C15,-6 13,2 14,10"
          fill="none"
          stroke="var(--watch)"
          strokeWidth={7}
          strokeLinecap="round"
          opacity={0.6}
        />
        <Arrow d="M20,-4 C26,12 36,22 48,26" at={[50, 27]} turn={14} />
      </g>
    ))}
    <Label x={-154} y={-104} tone="var(--watch)" bold>
      {['1 soften: damp', 'cloth, three minutes']}
    </Label>
    <line x1={-86} y1={-86} x2={-18} y2={-10} stroke="var(--soft)" strokeWidth={1} />
    <Label x={154} y={-104} anchor="end" tone="var(--pond)" bold>
      {['2 comb away from', 'the eye, then dry']}
    </Label>
    <line x1={96} y1={-86} x2={46} y2={18} stroke="var(--soft)" strokeWidth={1} />
    <Label x={0} y={138} anchor="middle" tone={BAD} bold>
      never picked dry; no clipper at the lid
    </Label>
  </DogHead>
);

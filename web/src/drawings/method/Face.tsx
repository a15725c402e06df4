import { composeTraits } from '@dewpond/core/catalogue';
import { DogHead } from '../DogHead';
import { Arrow, BAD, GOOD, Label } from './parts';

const SHORT_FACE = composeTraits(['french-bulldog'], {}).traits;
const MIDDLE_FACE = composeTraits(['westie'], {}).traits;

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
    <Label x={-158} y={20} tone={GOOD} bold to={[-56, -36]}>
      {['fingers', 'over the', 'eye']}
    </Label>
    <Label x={158} y={6} anchor="end" tone="var(--pond)" bold to={[58, 28]}>
      {['water from', 'below the', 'eye to the', 'cheek']}
    </Label>
    <Label x={0} y={118} anchor="middle" tone={BAD} bold>
      {['no spray at a flat nose;', 'head tipped down']}
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
    <Label x={-158} y={22} tone="var(--watch)" bold to={[-19, 2]}>
      {['1 soften:', 'damp cloth,', 'minutes']}
    </Label>
    <Label x={158} y={40} anchor="end" tone="var(--pond)" bold to={[50, 28]}>
      {['2 comb away', 'from the eye', '3 dry']}
    </Label>
    <Label x={0} y={138} anchor="middle" tone={BAD} bold>
      never picked dry; no clipper at the lid
    </Label>
  </DogHead>
);

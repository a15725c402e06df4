import { Arrow, BAD, Frame, GOOD, LINE, Label, SHAPE, Verdict } from './parts';

/** The canal: down from the opening, then in towards the head, ending at the drum. */
const CANAL = 'M216,84 C214,112 212,134 204,150 C196,166 176,172 150,172 C136,172 124,171 114,170';
const FLAP = 'M228,78 C250,62 278,44 304,22 C314,28 316,42 308,56 C294,80 266,92 236,92 Z';

type Shown = 'look' | 'clean' | 'swab' | 'hair';

/** An ear in section, flap lifted. Shown: how deep a pad goes, where a bud may not, how hair is held. */
export function EarSection({ show }: { readonly show: Shown }) {
  return (
    <Frame label={LABELS[show]}>
      <path d="M18,232 C20,160 40,96 96,72 C132,56 176,58 204,74" {...LINE} />
      <path d="M232,92 C246,120 256,160 254,232" {...LINE} />
      <path d={CANAL} fill="none" stroke="var(--soft)" strokeWidth={38} />
      <path d={CANAL} fill="none" stroke="var(--pond-pale)" strokeWidth={33.6} />
      <path d="M112,152 C104,160 104,180 112,188" fill="none" stroke={BAD} strokeWidth={4} strokeLinecap="round" />
      <path d={FLAP} {...SHAPE} />
      <path d="M240,84 C262,74 284,58 302,38" {...LINE} strokeWidth={1.4} />
      {show === 'look' && <Looking />}
      {show === 'clean' && <Cleaning />}
      {show === 'swab' && <Swabs />}
      {show === 'hair' && <Hair />}
    </Frame>
  );
}

const LABELS: Readonly<Record<Shown, string>> = {
  look: 'Ear in section, flap lifted up and away: the bend straightens, the eye sees the mouth of the canal; smell it, put nothing in.',
  clean:
    'Ear in section: the canal goes down, then in; the drum at its end is easily torn. A pad goes only as deep as the eye sees; the base is massaged below the canal.',
  swab: 'Ear in section with two cotton buds: on the outer flap that can be seen, yes; inside the canal, no.',
  hair: 'Ear in section with hair at the opening: the skin is held still, a small tuft is drawn along its own direction.',
};

const Drum = () => (
  <Label x={54} y={132} to={[107, 160]} tone={BAD}>
    {['drum:', 'easily torn']}
  </Label>
);

const Lifted = () => (
  <>
    <Arrow d="M232,66 C244,44 262,30 282,22" at={[282, 22]} turn={-26} />
    <Label x={206} y={20} anchor="end">
      {['lift the flap up and away:', 'the bend straightens']}
    </Label>
  </>
);

const Looking = () => (
  <>
    <path d="M214,30 L199,88 L233,88 Z" fill={GOOD} fillOpacity={0.14} stroke="none" />
    <path d="M198,112 L232,112" stroke={GOOD} strokeWidth={2.4} strokeDasharray="5 4" />
    <Lifted />
    <Label x={264} y={118} tone={GOOD} bold to={[232, 104]}>
      {['look, and smell:', 'dry, pale pink', 'is clear']}
    </Label>
    <Label x={264} y={186} tone={BAD} bold>
      {['nothing goes in', 'to see better']}
    </Label>
    <Label x={64} y={222} to={[168, 186]}>
      here dirt and water collect
    </Label>
    <Drum />
  </>
);

const Cleaning = () => (
  <>
    <path d="M197,112 L232,112" stroke={GOOD} strokeWidth={2.4} strokeDasharray="5 4" />
    <ellipse cx={216} cy={94} rx={13} ry={17} fill="var(--surface)" stroke={GOOD} strokeWidth={2.2} />
    <Lifted />
    <Label x={264} y={114} tone={GOOD} bold to={[230, 98]}>
      {['pad: as deep', 'as the eye sees']}
    </Label>
    <circle cx={252} cy={176} r={20} fill="none" stroke="var(--pond)" strokeWidth={2.4} strokeDasharray="6 4" />
    <Arrow d="M270,184 C276,172 270,160 260,157" at={[259, 157]} turn={195} width={2.4} />
    <Label x={284} y={172} tone="var(--pond)" bold>
      {['massage', 'the base,', 'upwards']}
    </Label>
    <Label x={52} y={224} to={[168, 186]}>
      here dirt and water collect
    </Label>
    <Drum />
  </>
);

const Bud = ({ x1, y1, x2, y2 }: Readonly<Record<'x1' | 'y1' | 'x2' | 'y2', number>>) => (
  <g>
    <line x1={x1} y1={y1} x2={x2} y2={y2} stroke="var(--soft)" strokeWidth={4} strokeLinecap="round" />
    <circle cx={x1} cy={y1} r={7} fill="var(--surface)" stroke="var(--soft)" strokeWidth={2} />
  </g>
);

const Swabs = () => (
  <>
    <Bud x1={282} y1={58} x2={344} y2={96} />
    <Verdict x={318} y={56} good />
    <Label x={250} y={130} tone={GOOD} bold>
      {['only on the', 'flap one can see,', 'each end once']}
    </Label>
    <Bud x1={206} y1={138} x2={208} y2={34} />
    <Verdict x={172} y={42} good={false} />
    <Label x={158} y={20} anchor="end" tone={BAD} bold>
      never into the canal
    </Label>
    <Arrow d="M196,150 C180,166 160,170 140,171" at={[138, 171]} turn={178} tone={BAD} width={2.2} />
    <Label x={40} y={224} tone={BAD}>
      a dog jerks: wax goes deeper, the drum tears
    </Label>
    <Drum />
  </>
);

const TUFTS = [
  'M206,104 C204,88 206,72 200,56',
  'M212,106 C212,88 215,70 212,50',
  'M220,106 C222,90 226,72 228,54',
  'M226,102 C230,90 236,78 242,70',
];

const Hair = () => (
  <>
    {TUFTS.map((d) => (
      <path key={d} d={d} fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinecap="round" />
    ))}
    <Arrow d="M214,44 C213,32 212,24 211,16" at={[211, 15]} turn={-94} />
    <Label x={200} y={22} anchor="end" bold tone="var(--pond)">
      {['small tufts,', 'along their own direction']}
    </Label>
    <path d="M176,82 C184,74 192,76 196,86" {...LINE} stroke={GOOD} strokeWidth={5} />
    <Label x={160} y={84} anchor="end" tone={GOOD} to={[176, 80]}>
      {['skin held', 'still']}
    </Label>
    <path d="M200,112 L232,112" stroke={GOOD} strokeWidth={2.4} strokeDasharray="5 4" />
    <Label x={262} y={118} tone={GOOD} to={[236, 112]}>
      {['enough: air and', 'cleaner get in']}
    </Label>
    <Label x={262} y={170} tone={BAD}>
      {['never red, sore,', 'wet or smelly']}
    </Label>
    <Drum />
  </>
);

import { Arrow, BAD, Frame, GOOD, LINE, Label, SHAPE, Verdict } from './parts';

const NAIL = 'M20,58 C44,34 92,30 124,52 C140,64 148,84 150,104 C134,92 116,86 92,88 C64,90 38,88 20,92 Z';

/** Pale nail: the quick is seen. Dark nail: only its tip goes. */
export const NailAndQuick = () => (
  <Frame label="Nail and quick: on a pale nail cut below the quick that can be seen; on a dark nail take tips only, until a dark spot shows in the cut.">
    <g>
      <path d={NAIL} {...SHAPE} />
      <path
        d="M22,64 C50,48 86,46 108,62 C114,68 116,74 114,78 C92,74 58,78 22,86 Z"
        fill="var(--stop-pale)"
        stroke={BAD}
        strokeWidth={1.6}
      />
      <line x1={134} y1={50} x2={120} y2={106} stroke={GOOD} strokeWidth={3} strokeDasharray="7 5" />
      <Label x={64} y={24} anchor="middle" bold>
        pale nail
      </Label>
      <Label x={20} y={128} tone={BAD} to={[70, 80]}>
        the quick: it bleeds
      </Label>
      <Label x={20} y={150} tone={GOOD} bold>
        cut below it
      </Label>
    </g>
    <g transform="translate(184,0)">
      <path d={NAIL} {...LINE} fill="var(--soft)" fillOpacity={0.55} />
      {[146, 138, 130].map((x, i) => (
        <line
          key={x}
          x1={x + 6}
          y1={62 - i * 5}
          x2={x - 6}
          y2={104 - i * 3}
          stroke={GOOD}
          strokeWidth={2.6}
          strokeDasharray="6 4"
        />
      ))}
      <Label x={72} y={24} anchor="middle" bold>
        dark nail
      </Label>
      <Label x={14} y={128} tone={GOOD} bold>
        tips only, thin slices
      </Label>
    </g>
    <g transform="translate(52,196)">
      <circle r={24} {...SHAPE} />
      <circle r={20} fill="var(--soft)" fillOpacity={0.4} />
      <Verdict x={34} y={-14} good />
    </g>
    <Label x={104} y={192}>
      {['the cut: dry', 'and crumbly']}
    </Label>
    <g transform="translate(226,196)">
      <circle r={24} {...SHAPE} />
      <circle r={20} fill="var(--soft)" fillOpacity={0.4} />
      <circle r={6} fill="var(--ink)" />
      <Verdict x={34} y={-14} good={false} />
    </g>
    <Label x={276} y={192} tone={BAD} bold>
      {['a dark spot:', 'stop here']}
    </Label>
  </Frame>
);

/** The dewclaw stands above the foot and never touches the ground. */
export const Dewclaw = () => (
  <Frame label="A front leg from the side: the dewclaw stands above the foot, never wears, and curls into the flesh.">
    <path
      d="M112,6 C110,60 112,104 118,138 C112,158 92,172 76,188 C66,200 74,214 92,214 L196,214 C214,214 218,198 206,186 C194,174 184,160 182,138 C188,100 192,56 190,6"
      {...SHAPE}
    />
    {[104, 134, 164].map((x) => (
      <path key={x} d={`M${x},214 C${x - 2},202 ${x + 4},192 ${x + 12},186`} {...LINE} strokeWidth={1.6} />
    ))}
    {[80, 108, 138, 170].map((x) => (
      <path
        key={x}
        d={`M${x},208 C${x - 10},208 ${x - 16},214 ${x - 18},222 C${x - 10},222 ${x - 2},218 ${x + 2},214 Z`}
        fill="var(--soft)"
        stroke="none"
      />
    ))}
    <path d="M182,112 C196,108 206,114 206,126 C206,136 196,140 184,136" {...SHAPE} />
    <path
      d="M204,118 C222,116 230,130 222,144 C216,152 204,152 198,144 C210,144 214,134 206,128 Z"
      fill="var(--soft)"
      stroke={BAD}
      strokeWidth={2}
    />
    <Arrow d="M206,156 C202,156 196,152 194,144" at={[194, 143]} turn={-98} tone={BAD} width={2} />
    <line x1={216} y1={108} x2={234} y2={134} stroke={GOOD} strokeWidth={3} strokeDasharray="6 4" />
    <Label x={242} y={104} tone={GOOD} bold to={[226, 122]}>
      {['dewclaw: never', 'wears, clip its tip']}
    </Label>
    <Label x={242} y={166} tone={BAD} to={[206, 152]}>
      {['left alone it', 'grows into the', 'flesh: a vet then']}
    </Label>
    <line x1={40} y1={224} x2={226} y2={224} stroke="var(--line)" strokeWidth={3} />
    <Label x={14} y={120}>
      {['the others', 'wear on', 'the ground']}
    </Label>
    <line x1={46} y1={154} x2={66} y2={204} stroke="var(--soft)" strokeWidth={1} />
  </Frame>
);

const TOE_PADS: readonly (readonly [number, number, number])[] = [
  [118, 92, -24],
  [156, 66, -8],
  [204, 66, 8],
  [242, 92, 24],
];

/** The foot from below: hair level with the pads, every gap looked into. */
export const Pads = () => (
  <Frame label="A foot from below: hair is cut level with the pads, and every gap between the toes is looked into.">
    <path
      d="M180,28 C238,24 282,64 278,124 C276,182 234,218 180,218 C126,218 84,182 82,124 C78,64 122,24 180,28 Z"
      {...SHAPE}
      strokeDasharray="3 5"
    />
    {TOE_PADS.map(([x, y, turn]) => (
      <ellipse
        key={x}
        cx={x}
        cy={y}
        rx={19}
        ry={26}
        transform={`rotate(${turn} ${x} ${y})`}
        fill="var(--pond-pale)"
        stroke="var(--soft)"
        strokeWidth={2.2}
      />
    ))}
    <path
      d="M180,114 C206,112 228,134 230,158 C230,180 208,186 180,182 C152,186 130,180 130,158 C132,134 154,112 180,114 Z"
      fill="var(--pond-pale)"
      stroke="var(--soft)"
      strokeWidth={2.2}
    />
    {[
      [140, 112],
      [180, 98],
      [220, 112],
    ].map(([x, y]) => (
      <circle key={x} cx={x} cy={y} r={9} fill="none" stroke={GOOD} strokeWidth={2.4} strokeDasharray="4 3" />
    ))}
    <Label x={14} y={26} tone={GOOD} bold to={[134, 106]}>
      {['look into', 'every gap']}
    </Label>
    <Label x={346} y={30} anchor="end" bold to={[268, 78]}>
      {['hair level', 'with the pads']}
    </Label>
    <Label x={346} y={214} anchor="end" tone={BAD}>
      {['red or broken', 'skin: no blade']}
    </Label>
  </Frame>
);

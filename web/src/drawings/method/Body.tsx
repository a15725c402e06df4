import { Arrow, BAD, Frame, GOOD, LINE, Label, SHAPE, Verdict } from './parts';

/** A dog from the side, head to the left: its left side is shown. */
const BODY =
  'M26,84 C30,72 46,66 60,64 C66,48 84,40 100,48 C112,56 120,68 134,74 C172,80 226,74 262,82 C270,84 276,86 280,82 C292,68 300,50 306,34 C314,40 312,66 300,86 C294,96 288,102 286,110 C292,128 284,142 286,158 C288,174 292,184 290,208 L272,208 C272,188 264,174 260,160 C252,150 244,148 234,144 C202,152 176,152 156,144 C154,164 156,184 154,208 L138,208 C136,186 132,164 126,144 C114,130 106,116 100,104 C86,108 66,106 54,98 C42,98 30,94 26,84 Z';
const EAR = 'M78,50 C92,46 104,60 104,80 C104,92 94,96 88,88 C82,78 80,64 78,50 Z';
const FAR_LEGS = 'M172,150 C174,170 176,188 174,204 L160,204 M246,150 C250,172 254,188 254,204 L268,204';

const Outline = () => (
  <>
    <path d={FAR_LEGS} {...LINE} strokeWidth={1.6} opacity={0.6} />
    <path d={BODY} {...SHAPE} />
    <path d={EAR} {...SHAPE} />
    <circle cx={62} cy={74} r={3} fill="var(--ink)" />
    <path d="M26,84 C24,80 28,76 33,78" {...LINE} strokeWidth={4} stroke="var(--ink)" />
  </>
);

/** One circuit, the same each time. */
const STOPS: readonly (readonly [x: number, y: number, place: string])[] = [
  [116, 88, 'neck'],
  [196, 90, 'back'],
  [272, 138, 'hind leg'],
  [204, 128, 'side, belly'],
  [142, 160, 'front leg'],
  [70, 88, 'head last'],
];

export const WettingPath = () => (
  <Frame
    label={`One fixed circuit for wetting and rinsing: ${STOPS.map(([, , place]) => place).join(', ')}; then turn the dog, its other side the same way.`}
  >
    <Outline />
    <path
      d="M122,84 C150,84 170,84 184,86 M208,90 C236,94 256,108 266,124 M258,146 C242,142 228,136 216,132 M190,132 C174,138 160,146 150,152 M130,150 C110,130 90,112 78,98"
      fill="none"
      stroke="var(--pond)"
      strokeWidth={3}
      strokeDasharray="2 6"
      strokeLinecap="round"
    />
    {STOPS.map(([x, y, place], i) => (
      <g key={place}>
        <circle cx={x} cy={y} r={11} fill="var(--pond)" />
        <text x={x} y={y + 4.6} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--on-pond)">
          {i + 1}
        </text>
      </g>
    ))}
    <Label x={14} y={20} bold>
      1 neck 2 back 3 hind leg 4 side, belly 5 front leg
    </Label>
    <Label x={14} y={38}>
      turn, the other side alike; 6 head
    </Label>
    <Label x={180} y={230} anchor="middle" tone="var(--pond)" bold>
      rinse the same way, top down, until hair squeaks
    </Label>
  </Frame>
);

const HEAD =
  'M26,84 C30,72 46,66 60,64 C66,48 84,40 100,48 C106,52 111,58 116,64 C112,80 106,94 100,104 C86,108 66,106 54,98 C42,98 30,94 26,84 Z';

/** For an owner: water from the back end to the neck, and none on the head. */
export const BathPath = () => (
  <Frame label="Water goes from the back end along the body to the neck; the head stays dry.">
    <Outline />
    <path d={HEAD} fill="var(--stop-pale)" stroke={BAD} strokeWidth={2.2} strokeDasharray="5 4" />
    <path d={EAR} {...SHAPE} />
    <circle cx={62} cy={74} r={3} fill="var(--ink)" />
    <Verdict x={62} y={34} good={false} />
    <Arrow d="M276,100 C240,98 196,98 150,96" at={[146, 96]} turn={180} width={5} />
    <Arrow d="M278,124 C278,150 280,170 281,190" at={[281, 192]} turn={90} width={3.4} />
    <Arrow d="M140,122 C144,146 146,168 146,190" at={[146, 192]} turn={90} width={3.4} />
    <Verdict x={214} y={50} good />
    <Label x={180} y={230} anchor="middle" bold>
      from the back end to the neck; the head stays dry
    </Label>
  </Frame>
);

/** For an owner: where shampoo stays in the coat, tried with the hand. */
export const RinseSpots = () => (
  <Frame label="The rinse test: the wet hair under the arms, at the groin and between the toes is pressed; no bubbles may come.">
    <Outline />
    {(
      [
        [140, 140, 13],
        [254, 146, 13],
        [146, 200, 10],
        [281, 200, 10],
      ] as const
    ).map(([x, y, r]) => (
      <g key={x}>
        <circle cx={x} cy={y} r={r} fill="var(--pond-pale)" stroke="var(--pond)" strokeWidth={2.4} />
        <circle cx={x - 3} cy={y - 3} r={2.6} fill="none" stroke="var(--pond)" strokeWidth={1.4} />
        <circle cx={x + 4} cy={y + 2} r={1.9} fill="none" stroke="var(--pond)" strokeWidth={1.4} />
      </g>
    ))}
    <Label x={180} y={230} anchor="middle" bold>
      press here: no bubbles may come
    </Label>
  </Frame>
);

const SOAP_FIRST: readonly (readonly [number, number, number])[] = [
  [126, 132, 12],
  [208, 138, 14],
  [272, 108, 12],
  [146, 200, 9],
  [282, 200, 9],
];

/** A medicated wash: sore places first, then the clock. */
export const Contact = () => (
  <Frame label="A medicated wash: problem skin first, armpits, belly, rear and between the toes; then it stays for the whole time, counted by a clock.">
    <Outline />
    {SOAP_FIRST.map(([x, y, r]) => (
      <circle
        key={`${x} ${y}`}
        cx={x}
        cy={y}
        r={r}
        fill="var(--pond)"
        fillOpacity={0.3}
        stroke="var(--pond)"
        strokeWidth={2}
      />
    ))}
    <Label x={14} y={22} bold tone="var(--pond)">
      sore places first: armpits, belly, rear, between the toes
    </Label>
    <g transform="translate(328,168)">
      <circle r={26} {...SHAPE} />
      <path d="M0,0 L0,-26 A26,26 0 1 1 -22.5,13 Z" fill="var(--pond-pale)" stroke="none" />
      <path d="M0,-17 L0,0 L-11,7" {...LINE} stroke="var(--pond)" strokeWidth={3} />
    </g>
    <Label x={180} y={230} anchor="middle" bold>
      then it stays its full time: label or vet says how long
    </Label>
  </Frame>
);

/** Towel pressed, not rubbed. */
export const TowelPress = () => (
  <Frame label="A towel is pressed flat against the coat, and lifted; rubbing to and fro makes mats.">
    <g>
      <path d="M10,150 C50,142 110,142 160,150" {...LINE} />
      {[24, 46, 68, 90, 112, 134].map((x) => (
        <path key={x} d={`M${x},147 l10,-16`} {...LINE} strokeWidth={1.6} />
      ))}
      <path
        d="M22,104 C60,90 110,90 150,104 L150,128 C110,116 60,116 22,128 Z"
        fill="var(--pond-pale)"
        stroke="var(--pond)"
        strokeWidth={2.2}
      />
      <Arrow d="M86,36 L86,84" at={[86, 86]} turn={90} width={4} />
      <Verdict x={28} y={40} good />
      <Label x={86} y={186} anchor="middle" bold tone={GOOD}>
        press, lift, press
      </Label>
      <Label x={86} y={204} anchor="middle">
        squeeze legs, tail and belly
      </Label>
    </g>
    <g transform="translate(184,0)">
      <path d="M10,150 C50,142 110,142 160,150" {...LINE} />
      <path
        d="M26,146 C34,120 52,150 58,124 C66,104 78,148 86,126 C94,106 104,150 114,128 C120,116 128,142 138,132"
        {...LINE}
        strokeWidth={2}
        stroke={BAD}
      />
      <path
        d="M22,84 C60,70 110,70 150,84 L150,106 C110,94 60,94 22,106 Z"
        fill="var(--stop-pale)"
        stroke={BAD}
        strokeWidth={2.2}
      />
      <Arrow d="M60,54 L128,54" at={[130, 54]} turn={0} tone={BAD} width={4} />
      <Arrow d="M112,40 L46,40" at={[44, 40]} turn={180} tone={BAD} width={4} />
      <Verdict x={156} y={30} good={false} />
      <Label x={86} y={186} anchor="middle" bold tone={BAD}>
        rubbed hair mats
      </Label>
    </g>
    <Label x={180} y={230} anchor="middle">
      then low heat, ears covered, checked place by place
    </Label>
  </Frame>
);

/** The rear: tail lifted, hair short around. */
export const Rear = () => (
  <Frame label="The rear from behind: tail lifted, looked at first, hair kept short around; a swelling beside the anus is left alone.">
    <path d="M96,232 C86,170 92,110 124,84 C146,68 214,68 236,84 C268,110 274,170 264,232" {...SHAPE} />
    <path d="M166,84 C160,54 164,30 186,12 C202,14 204,32 196,50 C192,62 194,74 196,84" {...SHAPE} />
    <Arrow d="M216,62 C224,48 222,32 212,20" at={[211, 19]} turn={-128} tone={GOOD} />
    <circle cx={181} cy={112} r={8} fill="var(--soft)" />
    <circle cx={181} cy={112} r={34} fill="none" stroke={GOOD} strokeWidth={2.6} strokeDasharray="6 4" />
    <path d="M181,146 C178,176 178,204 180,232" {...LINE} strokeWidth={1.6} />
    {[156, 206].map((x) => (
      <circle key={x} cx={x} cy={126} r={6} fill="var(--stop-pale)" stroke={BAD} strokeWidth={2} />
    ))}
    <Label x={14} y={36} tone={GOOD} bold>
      {['tail lifted,', 'looked at first']}
    </Label>
    <Label x={346} y={70} anchor="end" tone={GOOD} to={[216, 102]}>
      {['hair short', 'around']}
    </Label>
    <Label x={6} y={150} tone={BAD} to={[149, 128]}>
      {['a swelling:', 'not pressed,', 'a vet']}
    </Label>
  </Frame>
);

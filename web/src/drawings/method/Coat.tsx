import { Arrow, BAD, Frame, GOOD, LINE, Label, SHAPE, Verdict } from './parts';

const HAIRS = [20, 38, 56, 74, 92, 110, 128, 146];

/** A mat opened from its tip, the hair held at the skin; scissors never under it. */
export const Mat = () => (
  <Frame label="A mat: the hair is held at the skin and the mat opened from its tip; scissors are never pushed under it, and water tightens it.">
    <g>
      <path d="M8,188 C60,182 116,182 166,188" {...LINE} strokeWidth={3} />
      {HAIRS.map((x) => (
        <path key={x} d={`M${x},186 C${x - 2},160 ${x + 4},140 ${x + 8},112`} {...LINE} strokeWidth={1.5} />
      ))}
      <path
        d="M46,120 C54,96 84,84 110,96 C130,106 132,130 112,138 C88,146 52,144 46,120 Z"
        fill="var(--line)"
        stroke="var(--soft)"
        strokeWidth={2}
      />
      <path d="M44,174 C52,160 72,158 80,170 M84,172 C92,158 112,158 118,172" {...LINE} stroke={GOOD} strokeWidth={5} />
      <Arrow d="M112,74 C98,82 92,92 88,108" at={[87, 110]} turn={106} />
      <Arrow d="M84,68 C74,78 70,90 68,108" at={[67, 110]} turn={100} />
      <Verdict x={24} y={62} good />
      <Label x={8} y={24} bold tone="var(--pond)">
        {['open it from', 'the tip inwards']}
      </Label>
      <Label x={86} y={212} anchor="middle" tone={GOOD} bold>
        hold the hair at the skin
      </Label>
    </g>
    <g transform="translate(186,0)">
      <path d="M8,188 C60,182 116,182 166,188" {...LINE} strokeWidth={3} />
      {HAIRS.map((x) => (
        <path key={x} d={`M${x},186 C${x - 2},176 ${x + 2},168 ${x + 3},160`} {...LINE} strokeWidth={1.5} />
      ))}
      <path
        d="M34,132 C42,108 88,100 118,112 C142,122 142,154 114,162 C82,170 34,164 34,132 Z"
        fill="var(--line)"
        stroke="var(--soft)"
        strokeWidth={2}
      />
      <path d="M154,122 L54,176 M154,148 L54,170" stroke={BAD} strokeWidth={3} strokeLinecap="round" />
      <circle cx={158} cy={116} r={7} fill="none" stroke={BAD} strokeWidth={3} />
      <circle cx={158} cy={152} r={7} fill="none" stroke={BAD} strokeWidth={3} />
      <Verdict x={30} y={76} good={false} />
      <Label x={166} y={24} anchor="end" bold tone={BAD}>
        {['never scissors', 'under a mat']}
      </Label>
      <Label x={86} y={212} anchor="middle" tone={BAD}>
        the skin is drawn up into it
      </Label>
    </g>
    <Label x={180} y={234} anchor="middle" bold>
      no water on it: it tightens
    </Label>
  </Frame>
);

/** The lip lifted: front teeth first, outer sides, small circles. */
export const Teeth = () => (
  <Frame label="Teeth from the side: the lip lifted, front teeth first, outer sides in small circles.">
    <path
      d="M18,92 C46,54 118,40 196,48 C256,54 316,72 346,104 C330,112 306,112 286,108 C220,96 128,98 60,122 C38,126 18,112 18,92 Z"
      {...SHAPE}
    />
    <path
      d="M40,168 C110,140 220,136 300,150 C322,154 330,166 318,178 C250,206 120,214 60,198 C40,192 32,178 40,168 Z"
      {...SHAPE}
    />
    <path d="M60,122 C128,98 220,96 286,108" fill="none" stroke="var(--stop-pale)" strokeWidth={9} />
    {[72, 90, 106].map((x, i) => (
      <path key={x} d={`M${x},${118 - i * 3} l5,17 l8,-20 Z`} {...SHAPE} strokeWidth={1.8} />
    ))}
    <path d="M126,108 C128,132 136,152 142,156 C148,146 152,126 152,103 Z" {...SHAPE} strokeWidth={1.8} />
    {[172, 198, 226, 256].map((x) => (
      <path
        key={x}
        d={`M${x},102 C${x + 2},118 ${x + 6},124 ${x + 12},124 C${x + 18},124 ${x + 22},118 ${x + 22},102 Z`}
        {...SHAPE}
        strokeWidth={1.8}
      />
    ))}
    <Arrow d="M176,64 C186,46 204,34 226,30" at={[228, 30]} turn={-8} tone={GOOD} />
    <Label x={236} y={30} tone={GOOD} bold>
      lift the lip
    </Label>
    <path d="M92,138 a14,9 0 1 1 -4,-12" fill="none" stroke="var(--pond)" strokeWidth={3} />
    <Label x={14} y={20} tone="var(--pond)" bold to={[82, 122]}>
      {['front teeth first,', 'outer sides, small circles']}
    </Label>
    <Label x={180} y={228} anchor="middle" tone={BAD}>
      paste made to be swallowed, never human paste
    </Label>
  </Frame>
);

import { Arrow, BAD, Frame, GOOD, LINE, Label, SHAPE } from './parts';

/** A deep fold in section: lifted, wiped against the lie of the hair, dried to its floor. */
export const FoldSection = () => (
  <Frame label="A fold in section: lifted with a finger, a cloth reaches its floor, against the lie of the hair; then dried. The floor can be red while the surface looks fine.">
    <path
      d="M8,150 C50,146 84,142 108,128 C128,116 138,96 150,84 C164,72 184,80 186,98 C188,116 176,134 170,152 C166,166 172,178 186,178 C200,178 206,164 208,148 C212,124 230,108 258,106 C292,104 322,112 352,116 L352,236 L8,236 Z"
      {...SHAPE}
    />
    <path
      d="M170,152 C166,166 172,178 186,178 C200,178 206,164 208,148"
      fill="none"
      stroke={BAD}
      strokeWidth={4}
      strokeLinecap="round"
    />
    {[236, 262, 288, 314].map((x) => (
      <path key={x} d={`M${x},107 l14,-12`} {...LINE} strokeWidth={1.6} />
    ))}
    {[30, 56, 82].map((x) => (
      <path key={x} d={`M${x},148 l14,-12`} {...LINE} strokeWidth={1.6} />
    ))}
    <path
      d="M196,58 C202,84 198,116 190,150 C188,160 184,160 184,150 C184,116 180,92 176,70 C178,56 190,50 196,58 Z"
      fill="var(--pond-pale)"
      stroke="var(--pond)"
      strokeWidth={2.2}
    />
    <Arrow d="M150,70 C136,52 118,46 98,50" at={[97, 50]} turn={168} tone={GOOD} />
    <Label x={20} y={36} tone={GOOD} bold>
      1 lift the fold
    </Label>
    <Arrow d="M222,142 C226,122 236,108 252,94" at={[253, 93]} turn={-42} />
    <Label x={222} y={40} tone="var(--pond)" bold>
      {['2 wipe, against the', 'lie of the hair,', 'until it comes clean']}
    </Label>
    <Label x={222} y={190} tone={BAD} to={[206, 168]}>
      {['its floor may be red', 'while all looks fine']}
    </Label>
    <Label x={20} y={206} bold>
      {['3 dry, softly   4 protect:', 'balm or powder, never both']}
    </Label>
  </Frame>
);

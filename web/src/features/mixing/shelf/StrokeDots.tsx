/** Ten strokes as dots on a line from nothing: how far they lie apart is seen at a glance. */
export function StrokeDots({ strokes }: { readonly strokes: readonly number[] }) {
  if (strokes.length === 0) return null;
  const most = Math.max(...strokes) * 1.1;
  const x = (ml: number) => 6 + (ml / most) * 228;
  const mean = strokes.reduce((sum, each) => sum + each, 0) / strokes.length;
  return (
    <svg
      width={240}
      height={30}
      role="img"
      aria-label={`${strokes.length} strokes: ${strokes.join(', ')} ml`}
      className="my-1 max-w-full"
    >
      <line x1={6} x2={234} y1={18} y2={18} stroke="var(--line)" strokeWidth={2} />
      <line x1={x(mean)} x2={x(mean)} y1={6} y2={28} stroke="var(--pond)" strokeWidth={2} />
      {strokes.map((ml, i) => (
        <circle key={`${i} ${ml}`} cx={x(ml)} cy={18} r={4.5} fill="var(--pond)" fillOpacity={0.45} />
      ))}
      <text x={2} y={11} fontSize={10} fill="var(--soft)">
        0
      </text>
    </svg>
  );
}

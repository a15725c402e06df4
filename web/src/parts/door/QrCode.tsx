import { create } from 'qrcode';

/** Quiet zone around it, modules (ISO/IEC 18004 asks for four). */
const QUIET = 4;

/** A QR code, always dark on white: cameras want it so by night, too. */
export function QrCode({ text, label }: { readonly text: string; readonly label: string }) {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const path = Array.from(data, (dark, i) => (dark ? `M${i % size} ${Math.floor(i / size)}h1v1h-1z` : '')).join('');
  const across = size + 2 * QUIET;
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${-QUIET} ${-QUIET} ${across} ${across}`}
      shapeRendering="crispEdges"
      className="w-52 self-center rounded-lg"
    >
      <rect x={-QUIET} y={-QUIET} width={across} height={across} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}

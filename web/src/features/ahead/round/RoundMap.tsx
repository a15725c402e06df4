import type { PlannedRound, VanRound } from '@dewpond/core/route';
import { geoMercator } from 'd3-geo';
import { counted } from '../../../browser/counted';
import { useWidth } from '../../../browser/useWidth';

const MOST_HEIGHT = 560;
const EDGE = 44;

/** The round on a map of its own: places by their coordinates, the order as a line. No tiles, no network. */
export function RoundMap({ round, planned }: { readonly round: VanRound; readonly planned: PlannedRound | null }) {
  const [ref, width] = useWidth<HTMLDivElement>(560);
  const height = Math.min(MOST_HEIGHT, Math.round(width * 0.85));
  const all = [round.start, ...round.stops.map(({ at }) => at), ...round.refills.map(({ at }) => at)];
  const coordinates = all.map(({ latitude, longitude }): [number, number] => [longitude, latitude]);
  const points = { type: 'MultiPoint' as const, coordinates };
  const projection = geoMercator().fitExtent(
    [
      [EDGE, EDGE],
      [width - EDGE, height - EDGE],
    ],
    points,
  );
  const isOnePlace = new Set(coordinates.map(String)).size === 1;
  const at = (place: { latitude: number; longitude: number }): readonly [number, number] =>
    isOnePlace ? [width / 2, height / 2] : (projection([place.longitude, place.latitude]) ?? [0, 0]);
  const order = planned?.order ?? [];
  const steps = planned?.steps ?? [];
  const way = [
    round.start,
    ...steps.flatMap((step) =>
      step.kind === 'lunch' ? [] : [step.kind === 'stop' ? round.stops[step.stop]!.at : round.refills[step.place]!.at],
    ),
    round.end,
  ].map(at);
  const kmAcross = isOnePlace ? 0 : scaleKm(projection.scale());
  const [homeX, homeY] = at(round.start);
  return (
    <div ref={ref} className="min-w-0">
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Map of the round, ${counted(round.stops.length, 'stop')}`}
      >
        {planned && (
          <path
            d={`M ${way.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join(' L ')}`}
            fill="none"
            stroke="var(--pond)"
            strokeWidth={2.5}
            strokeLinejoin="round"
            opacity={0.55}
          />
        )}
        {round.refills.map((refill) => {
          const [x, y] = at(refill.at);
          return (
            <g key={refill.name}>
              <path d={`M ${x} ${y - 9} q 8 10 0 16 q -8 -6 0 -16 z`} fill="var(--pond-pale)" stroke="var(--pond)" />
              <text x={x} y={y + 24} textAnchor="middle" fontSize={12} fill="var(--soft)">
                {refill.name}
              </text>
            </g>
          );
        })}
        <path d={`M ${homeX - 9} ${homeY + 7} v -9 l 9 -8 l 9 8 v 9 z`} fill="var(--ink)" />
        {round.stops.map((stop, i) => {
          const [x, y] = at(stop.at);
          const place = order.indexOf(i);
          const left = x > width - 130;
          return (
            <g key={stop.id}>
              <circle cx={x} cy={y} r={13} fill="var(--pond)" stroke="var(--surface)" strokeWidth={2} />
              <text x={x} y={y + 4.5} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--on-pond)">
                {place < 0 ? '' : place + 1}
              </text>
              <text
                x={left ? x - 18 : x + 18}
                y={y + 4.5}
                textAnchor={left ? 'end' : 'start'}
                fontSize={13}
                fill="var(--ink)"
                paintOrder="stroke"
                stroke="var(--surface)"
                strokeWidth={4}
              >
                {stop.name}
              </text>
            </g>
          );
        })}
        {kmAcross > 0 && (
          <g transform={`translate(${EDGE / 2} ${height - 16})`}>
            <path
              d={`M 0 -5 v 5 h ${pixelsOf(kmAcross, projection.scale(), round.start.latitude)} v -5`}
              fill="none"
              stroke="var(--soft)"
            />
            <text x={4} y={-6} fontSize={12} fill="var(--soft)">
              {kmAcross} km
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

const EARTH_KM = 6371;
/** Kilometres at a latitude, px: Mercator stretches by the cosine of it. */
const pixelsOf = (km: number, scale: number, latitude: number): number =>
  ((km / EARTH_KM) * scale) / Math.cos((latitude * Math.PI) / 180);

/** A round length of some hundred pixels. */
function scaleKm(scale: number): number {
  const km = (100 * EARTH_KM) / scale;
  const ten = 10 ** Math.floor(Math.log10(km));
  return ten * (km / ten >= 5 ? 5 : km / ten >= 2 ? 2 : 1);
}

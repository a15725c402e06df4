import { seeded } from '../../tests/seeded';
import type { VanRound } from '../round';

export interface RoundShape {
  readonly stops: number;
  readonly seed: number;
  readonly windows?: boolean;
  readonly lunch?: boolean;
  readonly tank?: boolean;
}

/** A round of invented farms along an invented coast: the same for the same shape. */
export function randomRound({
  stops: count,
  seed,
  windows = false,
  lunch = false,
  tank = false,
}: RoundShape): VanRound {
  const random = seeded(seed);
  const at = () => ({ latitude: 51 + random() * 0.3, longitude: -9 + random() * 0.5 });
  const start = at();
  return {
    start,
    end: start,
    leaves: 8 * 60,
    stops: Array.from({ length: count }, (_, i) => {
      const from = 8 * 60 + 15 * Math.floor(random() * 24);
      return {
        id: `s${i}`,
        name: `Farm ${i}`,
        at: at(),
        service: 15 + 15 * Math.floor(random() * 4),
        window: windows && random() < 0.6 ? { from, to: from + 90 } : null,
        litres: 15 + Math.floor(random() * 30),
        wattHours: 200,
      };
    }),
    lunch: lunch ? { between: { from: 12 * 60, to: 13 * 60 }, minutes: 30 } : null,
    tank: tank ? 80 : null,
    refills: tank
      ? [
          { name: 'Quay tap', at: at(), minutes: 10 },
          { name: 'Mill', at: at(), minutes: 15 },
        ]
      : [],
  };
}

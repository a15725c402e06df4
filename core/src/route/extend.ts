import {
  END,
  FIRST_STOP,
  ROUND_COSTS,
  START,
  placesOfRound,
  type Driving,
  type VanRound,
  type RoundCosts,
} from './round';

/** A way of having done some stops, the last of them here. Of two, one that is no worse in all four is as good. */
export interface Label {
  readonly time: number;
  /** Driving and lateness so far, weighed. */
  readonly paid: number;
  /** Water used since the tank was filled, l. */
  readonly used: number;
  readonly hadLunch: boolean;
  readonly place: number;
  readonly from: Label | null;
  /** How it came here. */
  readonly via: { readonly refill: number | null; readonly lunch: boolean };
}

/** Minutes that are left at least. */
export interface LeastLeft {
  readonly driving: number;
  readonly work: number;
}

/** What one more stop makes of a label. Made once for a round. */
export class Extender {
  private readonly firstRefill: number;
  /** By place: the shortest drive to it. */
  private readonly shortest: (number | undefined)[] = [];

  constructor(
    private readonly round: VanRound,
    private readonly driving: Driving,
    private readonly costs: RoundCosts = ROUND_COSTS,
  ) {
    this.firstRefill = FIRST_STOP + round.stops.length;
  }

  get first(): Label {
    const { leaves, lunch } = this.round;
    const none = { refill: null, lunch: false };
    return { time: leaves, paid: 0, used: 0, hadLunch: lunch === null, place: START, from: null, via: none };
  }

  /** All ways on to a stop: straight, by way of water, with lunch first; those that need more water than there is left out. */
  toStop(label: Label, stop: number): Label[] {
    const { litres } = this.round.stops[stop]!;
    const place = FIRST_STOP + stop;
    return this.departures(label).flatMap((leaving) => this.legs(leaving, place, litres));
  }

  /** The same home. Without lunch by then, lunch is had before the last drive. */
  toEnd(label: Label): Label[] {
    return this.departures(label)
      .filter(({ hadLunch }) => hadLunch)
      .flatMap((leaving) => this.legs(leaving, END, 0));
  }

  /** What a round costs so far. */
  costOf = ({ time, paid }: Label): number => time - this.round.leaves + paid;

  /** No way home with these stops to do takes less, and pays less: their work, and the shortest drive to each and home. */
  leastLeft(toDo: (stop: number) => boolean): LeastLeft {
    let driving = this.leastTo(END);
    let work = 0;
    for (const [stop, { service }] of this.round.stops.entries())
      if (toDo(stop)) {
        work += service;
        driving += this.leastTo(FIRST_STOP + stop);
      }
    return { driving, work };
  }

  /** No round that goes on from a label costs less; `toDo` are its stops that are left. */
  boundOf(label: Label, { driving, work }: LeastLeft, toDo: readonly number[]): number {
    const { leaves, lunch } = this.round;
    let home = label.time + driving + work + (label.hadLunch || lunch === null ? 0 : lunch.minutes);
    let late = 0;
    for (const stop of toDo) {
      const { window, service } = this.round.stops[stop]!;
      if (window === null) continue;
      const place = FIRST_STOP + stop;
      late += Math.max(0, label.time + this.driving.least(label.place, place) - window.to);
      home = Math.max(home, window.from + service + this.driving.least(place, END));
    }
    return home - leaves + label.paid + this.costs.driving * driving + this.costs.late * late;
  }

  private leastTo(place: number): number {
    const known = this.shortest[place];
    if (known !== undefined) return known;
    const others = [...placesOfRound(this.round).keys()].filter((each) => each !== place && each !== END);
    const least = Math.min(...others.map((other) => this.driving.least(other, place)));
    this.shortest[place] = least;
    return least;
  }

  /** Leaves as it came, or after lunch. */
  private departures(label: Label): Label[] {
    const { lunch } = this.round;
    if (lunch === null || label.hadLunch) return [label];
    const begins = Math.max(label.time, lunch.between.from);
    const late = Math.max(0, begins - lunch.between.to);
    const after: Label = {
      ...label,
      time: begins + lunch.minutes,
      paid: label.paid + this.costs.late * late,
      hadLunch: true,
      from: label,
      via: { refill: null, lunch: true },
    };
    return [label, after];
  }

  private legs(label: Label, to: number, litres: number): Label[] {
    const { tank, refills } = this.round;
    const holds =
      tank === null || to === END || label.used === 0 || label.used + litres <= tank || refills.length === 0;
    const straight = holds ? [this.drive(label, to, litres)] : [];
    if (tank === null || label.used === 0 || to === END) return straight;
    return [...straight, ...refills.map((_, refill) => this.drive(this.refilled(label, refill), to, litres))];
  }

  private refilled(label: Label, refill: number): Label {
    const place = this.firstRefill + refill;
    const minutes = this.driving.minutes(label.place, place, label.time);
    return {
      ...label,
      time: label.time + minutes + this.round.refills[refill]!.minutes,
      paid: label.paid + this.costs.driving * minutes,
      used: 0,
      place,
      from: label,
      via: { refill, lunch: false },
    };
  }

  private drive(label: Label, to: number, litres: number): Label {
    const minutes = this.driving.minutes(label.place, to, label.time);
    const arrives = label.time + minutes;
    const stop = to === END ? null : this.round.stops[to - FIRST_STOP]!;
    const begins = Math.max(arrives, stop?.window?.from ?? 0);
    const late = stop?.window ? Math.max(0, begins - stop.window.to) : 0;
    return {
      time: begins + (stop?.service ?? 0),
      paid: label.paid + this.costs.driving * minutes + this.costs.late * late,
      used: label.used + litres,
      hadLunch: label.hadLunch,
      place: to,
      from: label,
      via: { refill: null, lunch: false },
    };
  }
}

/** Whether a label can lead to nothing that the other does not lead to as well or better. */
const isNoBetter = (a: Label, b: Label): boolean =>
  b.time <= a.time + 1e-9 && b.paid <= a.paid + 1e-9 && b.used <= a.used + 1e-9 && (b.hadLunch || !a.hadLunch);

/** Keeps those labels that nothing beats. */
export function keepBest(labels: readonly Label[]): Label[] {
  const kept: Label[] = [];
  for (const label of labels.toSorted((a, b) => a.time + a.paid - (b.time + b.paid))) {
    if (kept.some((other) => isNoBetter(label, other))) continue;
    kept.push(label);
  }
  return kept;
}

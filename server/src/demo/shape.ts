import type { DogProfileInput, MemberView } from '@dewpond/contract';
import type { HouseWays } from '@dewpond/core/ways';
import type { ClientCard } from '@dewpond/core/clients';
import type { Finding } from '@dewpond/core/findings';
import type { PlaceKey } from '@dewpond/core/places';
import type { MixCaution, ProductKind } from '@dewpond/core/dilution';
import type { VanWays } from '@dewpond/core/route';
import type { DrawnEye } from './drawEye';
import type { Went } from '@dewpond/core/programme';
import type { VisitKind } from '@dewpond/core/steps';

/** What the invented world is told in. */

export interface DemoPerson {
  readonly name: string;
  readonly email: string;
  readonly role: MemberView['role'];
}

export interface DemoDog {
  readonly owner: {
    readonly name: string;
    readonly phone: string;
    readonly email: string;
    readonly more?: Partial<ClientCard>;
  };
  readonly profile: DogProfileInput & { readonly ageYears: number };
  /** True days until a place is plainly dirty; places left out take 110. The learning should find them again. */
  readonly hidden: Readonly<Partial<Record<PlaceKey, number>>>;
  /** True days until its nails click on the floor; left out: 48. */
  readonly nailsTau?: number;
  readonly everyDays: number;
  readonly visits: number;
  readonly lastVisitDaysAgo: number;
  /** Found at the last visit, besides the drawn dirt. */
  readonly lastFound?: readonly Finding[];
  readonly pictures?: readonly DemoPicture[];
  /** How much more or less mix it takes than reckoned. */
  readonly thirst?: number;
  /** Prescribed wash: which product, from how many days ago until how many days ahead. */
  readonly prescribed?: {
    readonly who: string;
    readonly product: string;
    readonly contactMinutes: number;
    readonly since: number;
    readonly until: number;
  };
  /** What its owner does, and is asked for, between visits. */
  readonly atHome?: {
    /** A bath at home, with a wash of the shelf that the salon fills, or “as prescribed”. */
    readonly bath?: { readonly product: string; readonly everyDays: number };
    /** The vet asked for the face to be wiped so many times a day. */
    readonly faceADay?: 1 | 2 | 3;
    /** Before the last visit little of it was ticked. */
    readonly seldom?: true;
  };
  readonly today?: {
    readonly at: string;
    readonly person: number;
    readonly minutes: number;
    readonly kind: VisitKind;
  };
  /** Booked so many days ahead. */
  readonly booked?: {
    readonly inDays: number;
    readonly at: string;
    readonly person: number;
    readonly minutes: number;
    readonly kind?: VisitKind;
  };
  /** Past weighings: days ago, kg. */
  readonly weights?: readonly (readonly [daysAgo: number, kg: number])[];
  /** The name of its vet. */
  readonly vet?: string;
  /** A young dog's lessons: goal, how it went, days ago. */
  readonly lessons?: readonly (readonly [goal: string, went: Went, daysAgo: number])[];
}

/** A picture of the left eye that is drawn for one of the last visits, and the grade of its stain that day. */
export interface DemoPicture extends DrawnEye {
  /** 0: the last visit, 1: the one before. */
  readonly visitsAgo: number;
  readonly grade: Finding['grade'];
}

/** A product with its pump, its price and what is on the shelf. Days count back from today. */
export interface DemoProduct {
  readonly name: string;
  readonly kind: ProductKind;
  readonly label: string;
  readonly waterParts: string | null;
  readonly purposes?: readonly { readonly purpose: string; readonly waterParts: string }[];
  readonly contactLeast?: number;
  readonly suppliedBy: 'house' | 'vet';
  readonly supplier: string;
  readonly usual?: boolean;
  readonly cautions?: readonly MixCaution[];
  readonly ingredients?: readonly string[];
  readonly containerMl: number;
  readonly price: number;
  /** Ten strokes of its pump, ml. */
  readonly strokes?: readonly number[];
  readonly leadDays: number;
  readonly safetyMl: number;
  /** What came in before the first visit, ml; visits and mixes draw it down to today's stock. */
  readonly opening: number;
  readonly lots: readonly {
    readonly number: string;
    readonly deliveredDaysAgo: number;
    readonly expiresInDays: number;
    readonly open: boolean;
  }[];
}

export interface DemoBusiness {
  readonly name: string;
  readonly slug: string;
  readonly phone: string;
  readonly email: string;
  readonly ways: Partial<HouseWays>;
  readonly people: readonly DemoPerson[];
  readonly van?: VanWays;
  readonly products: readonly DemoProduct[];
  readonly bottles: readonly {
    readonly name: string;
    readonly brim: number;
    readonly line: number;
    readonly graduation: number | null;
    readonly count: number;
  }[];
  readonly dogs: readonly DemoDog[];
  readonly vets?: readonly {
    readonly name: string;
    readonly practice: string;
    readonly phone: string;
    readonly address: string;
  }[];
}

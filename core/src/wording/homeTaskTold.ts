import { isManaged, isSeldom, worthOf, type Follows, type HomeFit, type HomeTask } from '../homecare';
import { HOME_CARDS, type AtHomeLine, type HomeCard } from '../methods';
import type { PageWords } from './pageWords';
import type { Trend } from '../careplan';
import { showDay } from '../units';
import { fillIn } from './sentences';
import { homeCareName, homeOften, minuteWords, type Wording } from './wording';

/** A piece of home care with the words of whoever reads it. */
export interface HomeTaskTold extends HomeTask {
  readonly name: string;
  readonly words: string;
  /** "3 minutes" */
  readonly takes: string;
  /** "every 3 days", "every day until it is clear, then every 3 days" */
  readonly often: string;
  /** Why it is asked less often, and what follows; null: it is not. */
  readonly less: string | null;
  /** What it has changed, in one word; null: nothing to tell. */
  readonly changed: string | null;
  /** What an owner is shown beside it: never a groomer's card. */
  readonly card: {
    readonly drawing: HomeCard['drawing'];
    readonly never: readonly string[];
    readonly stops: readonly string[];
  };
}

export function homeTaskTold(wording: Wording, task: HomeTask): HomeTaskTold {
  const { drawing, never, stops } = HOME_CARDS[task.how];
  const lines = (list: readonly AtHomeLine[]) => list.map((each) => wording.atHome[each]);
  return {
    ...task,
    name: homeCareName(wording, task),
    words: wording.homeHows[task.how],
    takes: minuteWords(wording, task.minutes),
    often: homeOften(wording, task),
    less: lessWords(wording, task),
    changed: changedWords(wording, task),
    card: { drawing, never: lines(never), stops: lines(stops) },
  };
}

const CHANGED = {
  drier: 'drierThan',
  better: 'betterThan',
  'fewer mats': 'fewerMatsThan',
} as const satisfies Readonly<Record<Exclude<Trend, 'worse'>, keyof PageWords>>;

/** What it has changed. What is worse, the sheet says. */
const changedWords = ({ page, language }: Wording, { better }: HomeTask): string | null =>
  better === null || better.is === 'worse'
    ? null
    : fillIn(page[CHANGED[better.is]], { day: showDay(better.than, language) });

/** What ticks have changed, without a reproach: how much was ticked, that it is asked less often, what follows. */
function lessWords({ page }: Wording, { task, ticked, everyDays }: HomeTask): string | null {
  if (ticked === null) return null;
  const { done, due, usual } = ticked;
  const follows = isSeldom(ticked) ? [page[FOLLOWS[worthOf(task).follows]]] : [];
  // Who does what is asked is told no count: it would be held against what was never asked of them.
  if (isManaged(ticked, everyDays)) return [page.askedAsDone, ...follows].join(' ');
  const seen = fillIn(page.tickedDays, { done: String(done), due: String(due) });
  const asked = everyDays > usual ? [page.askedLess] : [];
  return [seen, ...asked, ...follows].join(' ');
}

const FOLLOWS = {
  'we look': 'followsWeLook',
  'come sooner': 'followsComeSooner',
  'shorter coat': 'followsShorterCoat',
  'corner clipped': 'followsCornerClipped',
  'at the visit': 'followsAtVisit',
  remains: 'followsRemains',
} as const satisfies Readonly<Record<Follows, keyof PageWords>>;

/** Something that is not asked of an owner, and what follows. */
export interface HomeLeftTold {
  readonly task: HomeTask;
  readonly follows: Follows;
  readonly name: string;
  readonly words: string;
}

export const homeLeftTold = (wording: Wording, left: HomeFit['left'][number]): HomeLeftTold => ({
  ...left,
  name: homeCareName(wording, left.task),
  words: wording.page[FOLLOWS[left.follows]],
});

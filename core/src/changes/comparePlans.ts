import type { Reason } from '../reasons';
import { sameReason } from '../reasons';
import { taskKey, type TaskAt } from '../tasks';
import { everyWords } from '../units';
import type { EarHairDecision } from '../careplan';
import type { CarePlan, PlanLine } from '../careplan';

/** One difference between two lines, as data where a reason is in it. */
export type PlanDifference =
  | { readonly kind: 'barred'; readonly reason: Reason }
  | { readonly kind: 'no longer barred'; readonly reason: Reason }
  | { readonly kind: 'ear hair'; readonly was: EarHairDecision; readonly is: EarHairDecision }
  /** "every 28 days instead of 42" */
  | { readonly kind: 'words'; readonly words: string };

/** How one line of a plan differs from the same line of another. */
export interface PlanChange extends TaskAt {
  readonly kind: 'new' | 'gone' | 'changed';
  readonly differences: readonly PlanDifference[];
}

const plainly = (...words: readonly string[]): PlanDifference[] =>
  words.map((each) => ({ kind: 'words', words: each }));

/** What changes from one plan to another, line by line, in working order; nothing for lines that stay as they are. Pure. */
export function comparePlans(before: CarePlan, after: CarePlan): PlanChange[] {
  const old = new Map(before.lines.map((line) => [taskKey(line), line]));
  const now = new Set(after.lines.map(taskKey));
  const gone = before.lines
    .filter((line) => !now.has(taskKey(line)))
    .map(({ task, place }): PlanChange => ({
      task,
      place,
      kind: 'gone',
      differences: plainly('no longer in the plan'),
    }));
  const rest = after.lines.flatMap((line): PlanChange[] => {
    const { task, place } = line;
    const was = old.get(taskKey(line));
    if (!was) return [{ task, place, kind: 'new', differences: plainly(summary(line)) }];
    const differences = between(was, line);
    return differences.length > 0 ? [{ task, place, kind: 'changed', differences }] : [];
  });
  return [...rest, ...gone];
}

const every = ({ usual, least, most }: NonNullable<PlanLine['interval']>): string =>
  least === most ? everyWords(usual) : `${everyWords(usual)} (${least}–${most} days)`;

const summary = ({ interval, home, methods, cautions }: PlanLine): string => {
  if (interval) return every(interval);
  return home ? `at home ${everyWords(home.everyDays)}` : (methods[0]?.words ?? cautions[0]?.words ?? '');
};

function between(was: PlanLine, is: PlanLine): PlanDifference[] {
  const said = ({ methods, cautions }: PlanLine) => [...methods, ...cautions].map(({ words }) => words);
  const [before, after] = [said(was), said(is)];
  const has = (line: PlanLine, reason: Reason) => line.bars.some((bar) => sameReason(bar.reason, reason));
  return [
    ...is.bars
      .filter(({ reason }) => !has(was, reason))
      .map(({ reason }): PlanDifference => ({ kind: 'barred', reason })),
    ...was.bars
      .filter(({ reason }) => !has(is, reason))
      .map(({ reason }): PlanDifference => ({ kind: 'no longer barred', reason })),
    ...intervals(was, is),
    ...earHair(was, is),
    ...plainly(
      ...homeWords(was, is),
      ...after.filter((words) => !before.includes(words)).map((words) => `+ ${words}`),
      ...before.filter((words) => !after.includes(words)).map((words) => `− ${words}`),
    ),
  ];
}

function intervals(was: PlanLine, is: PlanLine): PlanDifference[] {
  if (!is.interval || !was.interval) return [];
  const [before, after] = [every(was.interval), every(is.interval)];
  return before === after ? [] : plainly(`${after} instead of ${before}`);
}

const earHair = (was: PlanLine, is: PlanLine): PlanDifference[] =>
  was.earHair && is.earHair && was.earHair.way !== is.earHair.way
    ? [{ kind: 'ear hair', was: was.earHair, is: is.earHair }]
    : [];

function homeWords(was: PlanLine, is: PlanLine): string[] {
  const days = ({ home }: PlanLine) => home?.everyDays ?? null;
  if (days(was) === days(is)) return [];
  if (is.home === null) return ['no home care'];
  return [`at home ${everyWords(is.home.everyDays)}${was.home ? ` instead of ${everyWords(was.home.everyDays)}` : ''}`];
}

import { everyWords } from '../units';
import type { CarePlan, PlanLine } from './makePlan';
import { taskKey, type TaskAt } from '../tasks';

/** How one line of a plan differs from the same line of another. */
export interface PlanChange extends TaskAt {
  readonly kind: 'new' | 'gone' | 'changed';
  /** Each difference in words: "every 28 days instead of 42", "barred: …". */
  readonly words: readonly string[];
}

/** What changes from one plan to another, line by line, in working order; nothing for lines that stay as they are. Pure. */
export function comparePlans(before: CarePlan, after: CarePlan): PlanChange[] {
  const old = new Map(before.lines.map((line) => [taskKey(line), line]));
  const now = new Set(after.lines.map(taskKey));
  const gone = before.lines
    .filter((line) => !now.has(taskKey(line)))
    .map(({ task, place }): PlanChange => ({ task, place, kind: 'gone', words: ['no longer in the plan'] }));
  const rest = after.lines.flatMap((line): PlanChange[] => {
    const { task, place } = line;
    const was = old.get(taskKey(line));
    if (!was) return [{ task, place, kind: 'new', words: [summary(line)] }];
    const words = differences(was, line);
    return words.length > 0 ? [{ task, place, kind: 'changed', words }] : [];
  });
  return [...rest, ...gone];
}

const every = ({ usual, least, most }: NonNullable<PlanLine['interval']>): string =>
  least === most ? everyWords(usual) : `${everyWords(usual)} (${least}–${most} days)`;

const summary = ({ interval, home, methods, cautions }: PlanLine): string => {
  if (interval) return every(interval);
  return home ? `at home ${everyWords(home.everyDays)}` : (methods[0]?.words ?? cautions[0]?.words ?? '');
};

function differences(was: PlanLine, is: PlanLine): string[] {
  const said = ({ methods, cautions }: PlanLine) => [...methods, ...cautions].map(({ words }) => words);
  const [before, after] = [said(was), said(is)];
  return [
    ...is.bars
      .filter(({ words }) => !was.bars.some((bar) => bar.words === words))
      .map(({ words }) => `barred: ${words}`),
    ...was.bars
      .filter(({ words }) => !is.bars.some((bar) => bar.words === words))
      .map(({ words }) => `no longer barred: ${words}`),
    ...intervalWords(was, is),
    ...earHairWords(was, is),
    ...homeWords(was, is),
    ...after.filter((words) => !before.includes(words)).map((words) => `+ ${words}`),
    ...before.filter((words) => !after.includes(words)).map((words) => `− ${words}`),
  ];
}

function intervalWords(was: PlanLine, is: PlanLine): string[] {
  if (!is.interval || !was.interval) return [];
  const [before, after] = [every(was.interval), every(is.interval)];
  return before === after ? [] : [`${after} instead of ${before}`];
}

function earHairWords(was: PlanLine, is: PlanLine): string[] {
  if (!was.earHair || !is.earHair || was.earHair.way === is.earHair.way) return [];
  return [`${is.earHair.way} instead of ${was.earHair.way}: ${is.earHair.because}`];
}

function homeWords(was: PlanLine, is: PlanLine): string[] {
  const days = ({ home }: PlanLine) => home?.everyDays ?? null;
  if (days(was) === days(is)) return [];
  if (is.home === null) return ['no home care'];
  return [`at home ${everyWords(is.home.everyDays)}${was.home ? ` instead of ${everyWords(was.home.everyDays)}` : ''}`];
}

import type { PlanLine } from '../careplan';
import { COMMON_PRACTICE, type Sourced } from '../provenance';
import { STAGE_MINUTES, type Stage, type Step } from './steps';

interface StepParts extends Partial<Omit<Step, 'stage'>> {
  readonly title: string;
}

/** A step of a stage; what is not said is the ordinary case. */
export const step = (stage: Stage, parts: StepParts): Step => ({
  id: stage,
  stage,
  how: [],
  place: null,
  counts: null,
  sides: [],
  dwell: null,
  minutes: STAGE_MINUTES[stage],
  barred: null,
  parts: [],
  during: [],
  after: [],
  kept: false,
  ...parts,
});

/** What any groomer would say, in order. */
export const practice = (...words: string[]): Sourced[] =>
  words.map((each) => ({ words: each, source: COMMON_PRACTICE }));

/** What the plan says of a task for this dog and house: how, then what to mind. What holds for every dog is in the step's own words. */
export const says = (line: PlanLine | undefined): Sourced[] =>
  [...(line?.methods ?? []), ...(line?.cautions ?? [])].filter(({ general }) => !general);

/** What is noted of this dog for a task, and what its house does of it: for steps that say the rest in words of their own. */
export const noted = (line: PlanLine | undefined): Sourced[] =>
  [...(line?.methods ?? []), ...(line?.cautions ?? [])].filter(
    ({ source, rank }) => source.kind === "this dog's record" || rank === 'law',
  );

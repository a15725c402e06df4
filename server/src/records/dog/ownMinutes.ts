import type { DogFacts } from '@dewpond/core/dog';
import { byCoat, type Stage } from '@dewpond/core/steps';
import { minutesFactor } from '@dewpond/core/visit';
import { group } from 'd3-array';
import type { DogRecord } from './dogRecord';

/** What minutes are predicted from, as `stage_took.basis` has it: size and coat. */
export const BY_COAT = 2;

/**
 * This dog's minutes against the business's, by stage. What was predicted from its size alone, before coats counted, is
 * held against what its coat would have made of it.
 */
export const ownMinutes = (
  { took }: Pick<DogRecord, 'took'>,
  facts: DogFacts,
): Readonly<Partial<Record<Stage, number>>> =>
  Object.fromEntries(
    [...group(took, ({ stage }) => stage)].map(([stage, rows]) => {
      const coat = byCoat(stage, facts);
      return [
        stage,
        minutesFactor(
          rows.map(({ minutes, predicted, basis }) => ({
            minutes,
            predicted: basis < BY_COAT ? predicted * coat : predicted,
          })),
        ),
      ];
    }),
  );

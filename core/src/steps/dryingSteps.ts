import { dogAtWork } from '../careplan';
import { HOUSE_VALUE } from '../provenance';
import { schoolWords } from '../ways';
import { dry as dryWork, waterOff as waterOffWork } from '../work';
import { unlessBarred } from './bathSteps';
import { first } from './hazards';
import { neverBarred, practice, says, step } from './makeStep';
import { title } from './stepTitles';
import { STAGE_MINUTES, type Step } from './steps';
import { lineOf, type VisitPlan } from './visitPlan';

/** A dog rests in its towel before the dryer; another dog can use the hands [house value]. */
const TOWEL_REST_SECONDS = 600;
/** Combing the damp coat takes longer [house value]. */
const DAMP_COMB_MINUTES = 3;

/** Where a coat stays damp, checked one by one before the dog counts as dry [common practice]. */
const DRY_PARTS = ['face', 'ears', 'armpits', 'belly', 'paws', 'rear', 'folds'] as const;

export const waterOff = (visit: VisitPlan): Step => {
  const pieces = waterOffWork(dogAtWork(visit.facts));
  const damp = pieces.length > 1;
  return step('water off', {
    title: title('water off'),
    how: [
      ...practice('Squeeze, press with towels, never rub. Let the dog shake.'),
      ...(damp ? [{ words: schoolWords(visit.facts.ways, 'comb'), source: HOUSE_VALUE }] : []),
    ],
    minutes: STAGE_MINUTES['water off'] + (damp ? DAMP_COMB_MINUTES : 0),
    after: first('water off first', 'last rinse', 'conditioner'),
    neverBarred: true,
    ...unlessBarred(visit, neverBarred(visit, pieces)),
  });
};

/** Young, old and thin-coated dogs lose warmth: they do not rest in wet towels. */
const isChilly = ({ facts }: VisitPlan): boolean =>
  facts.lifeStage !== 'adult' || facts.breedHandling.includes('chills');

export const dry = (visit: VisitPlan): Step => {
  const pieces = dryWork(dogAtWork(visit.facts));
  const towelsOnly = visit.facts.handling.dryer === 'towels only';
  return step('dry', {
    title: title('dry'),
    how: [
      ...practice(
        towelsOnly
          ? 'Feel each place to the skin.'
          : 'Ears covered from noise and air, low heat. Feel each place to the skin.',
      ),
      ...says(lineOf(visit, 'drying')),
    ],
    dwell: isChilly(visit)
      ? null
      : { timer: 'towel rest', name: 'Towel rest', seconds: TOWEL_REST_SECONDS, source: HOUSE_VALUE },
    parts: DRY_PARTS.filter((part) => pieces.some(({ id }) => id === part)),
    after: first('water off first', 'water off'),
    neverBarred: true,
    ...unlessBarred(visit, neverBarred(visit, pieces)),
  });
};

export {
  ABOVE_SPOTS,
  BELOW_SPOTS,
  BODY_VIEWS,
  PAW,
  PLAN_HALF,
  profile,
  type BodyView,
  type Profile,
} from './bodyShape';
export { canLift, headShape, type HeadShape, type Point } from './headShape';

/** What a drawing says of its sides: they are the dog's own. */
export const SIDE_NAMES = { left: 'dog’s left', right: 'dog’s right' } as const;

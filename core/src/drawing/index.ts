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

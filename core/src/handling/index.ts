export {
  BEST_TIMES,
  DRYERS,
  EASY,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  handlingMarks,
  isLiking,
  type HandlingNotes,
  type Liked,
  type Minded,
} from './notes';
export { restraintPlan, type Restrained, type RestraintLine } from './restraint';

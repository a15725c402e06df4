export {
  BEST_TIMES,
  DRYERS,
  EASY,
  HEARING,
  HELPERS,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  handlingMarks,
  type HandlingNotes,
  type Minded,
} from './notes';
export { restraintPlan, type Restrained, type RestraintLine } from './restraint';

export { MOST_ROUNDS, depthWords, earDepth, isPoured, type EarDepth, type EarSeen } from './earDepth';
export { EARS, EYES, isAboveNeckOn } from './bodyParts';
export { overridesFor, waysFor, type DogAtWork } from './dogAtWork';
export { combAndTidy, dry, earsAfter, fold, noseBalm, waterOff } from './afterTheBath';
export {
  conditioner,
  crustInTheTub,
  flapInTheTub,
  facePlaces,
  plugs,
  rinse,
  wash,
  washFace,
  washesHead,
  wet,
} from './inTheTub';
export {
  brushOut,
  earCleaning,
  earHair,
  eyeOnTheTable,
  greasyFlap,
  firstClip,
  lookOver,
  mat,
  nails,
  teeth,
} from './onTheTable';
export { touching, type Piece, type Touch, type TouchProduct } from './touch';

export {
  ALL_CHOICES,
  BENEATH_CHOICES,
  CHOICES,
  HOME_CHOICES,
  OVERRIDE_CHOICES,
  SKIP_CHOICES,
  type DogChoice,
} from './choices';
export { EAR_HAIR_REASONS, type EarHairReason } from './earHairReasons';
export {
  readReason,
  reasonKey,
  sameReason,
  type InstructionSays,
  type Reason,
  type SentReason,
  type SignSeen,
} from './reason';
export { RANKS, RANK_WORDS, type Rank } from './rank';

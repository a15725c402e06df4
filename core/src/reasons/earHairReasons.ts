/** The lines of the decision about hair in an ear, by id, as one groomer says them to another. */
export const EAR_HAIR_REASONS = {
  'not today': 'not today',
  'kept for vets': 'plucking is kept for vets here',
  'no consent': 'no owner’s consent for this ear',
  'no hair inside': 'no hair inside the canal',
  'ear trouble before': 'ear trouble before: ask the vet first',
  sparse: 'the hair is sparse',
  'left alone': 'the business leaves healthy ears alone',
  'outside only': 'this business works outside the ear only',
  'house trims': 'the business trims',
  'broke off today': 'it broke off today',
  'not borne': 'the dog did not bear plucking last time',
  'old and new to it': 'old, and never plucked',
  'old, not known': 'old, and nobody knows whether it was ever plucked',
  'house stages': 'the business works in stages',
  'first time': 'first time',
  'last time not known': 'last time not known',
  'long ago': 'last time {days} days ago',
  'borne well': 'dense hair, done before without trouble',
} as const;
export type EarHairReason = keyof typeof EAR_HAIR_REASONS;

/** Kept apart from the schemas, so that a screen can list them without loading the validator. */
export const APPOINTMENT_KINDS = ['full visit', 'bath only', 'ears and nails'] as const;

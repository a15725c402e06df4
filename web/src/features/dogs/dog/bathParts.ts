import type { BathTask } from '@dewpond/core/dog';

/** The parts of a bath, by name. */
export const BATH_PARTS: Readonly<Record<BathTask, string>> = {
  bath: 'First wash',
  'second wash': 'Second wash',
  'face wash': 'Face',
  conditioner: 'Conditioner',
};

import type { Picture } from '@dewpond/core/record';

export const addressOf = ({ id, takenBy }: Pick<Picture, 'id' | 'takenBy'>): string =>
  takenBy === 'owner' ? `/api/home-photos/${id}` : `/api/photos/${id}`;

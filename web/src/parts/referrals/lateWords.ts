/** ", 6 days late"; due today: nothing. */
export const lateWords = (days: number): string =>
  days <= 0 ? '' : days === 1 ? ', a day late' : `, ${days} days late`;

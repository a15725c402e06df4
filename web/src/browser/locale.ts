import type { DateOrder } from '@dewpond/core/units';

/** How dates and times are written where the business is. */
export type Locale = 'en-GB' | 'en-US';

let here: Locale = 'en-GB';

/** Set once it is known whose business it is; every date on the screens follows. */
export const setLocale = (locale: Locale): void => void (here = locale);
export const locale = (): Locale => here;

export const dateOrder = (): DateOrder => (here === 'en-US' ? 'month first' : 'day first');
/** Whether hours are counted to twelve. */
export const countsToTwelve = (): boolean => here === 'en-US';
/** The first day of a week: 0 for Sunday, 1 for Monday. */
export const weekBegins = (): 0 | 1 => (here === 'en-US' ? 0 : 1);

import { CalendarAddress } from '../parts/calendars/CalendarAddress';

/** One's own bookings in the calendar program one has anyway. */
export const OwnCalendar = () => (
  <section className="mb-4" aria-label="Your calendar">
    <h3 className="text-sm font-semibold mb-1">Your bookings as a calendar</h3>
    <CalendarAddress whose="me" shows="your bookings" />
  </section>
);

/** A box to tick by hand on the printed list. */
export const TickBox = () => <span aria-hidden className="hidden print:inline-block size-5 border-2 border-ink mt-2" />;

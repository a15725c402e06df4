import type { ButtonHTMLAttributes } from 'react';
import { classes } from './classes';

/** One of several things to choose by touch: a button that stays pressed, large enough for a wet thumb. */
export function Choice({
  chosen,
  className,
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { readonly chosen: boolean }) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      className={classes(
        'rounded-xl border px-4 min-h-14 font-semibold',
        chosen ? 'bg-pond text-on-pond border-pond' : 'border-line bg-surface hover:bg-pond-pale',
        className,
      )}
      {...rest}
    />
  );
}

import type { ButtonHTMLAttributes } from 'react';
import { classes } from './classes';

export type ButtonLook = 'main' | 'plain' | 'quiet' | 'stop';
const LOOKS: Readonly<Record<ButtonLook, string>> = {
  main: 'bg-pond text-on-pond border-pond hover:opacity-90',
  plain: 'bg-surface text-pond border-pond hover:bg-pond-pale',
  quiet: 'bg-transparent text-ink border-line hover:bg-pond-pale',
  stop: 'bg-surface text-stop border-stop hover:bg-stop-pale',
};
const SHAPE =
  'inline-flex items-center justify-center gap-2 rounded-xl border font-semibold px-4 min-h-11 transition-colors disabled:opacity-50';

/** How buttons and links that look like one are shaped. */
export const buttonClasses = (look: ButtonLook, className: string | undefined): string =>
  classes(SHAPE, LOOKS[look], className);

export function Button({
  look = 'plain',
  className,
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { readonly look?: ButtonLook }) {
  return <button type={type} className={buttonClasses(look, className)} {...rest} />;
}

import { Link, type LinkProps } from 'react-router';
import { buttonClasses, type ButtonLook } from './Button';

/** A link that looks like a button. Apart from it: who signs in needs no links, and waits for none. */
export const ButtonLink = ({ look = 'plain', className, ...rest }: LinkProps & { readonly look?: ButtonLook }) => (
  <Link className={buttonClasses(look, className)} {...rest} />
);

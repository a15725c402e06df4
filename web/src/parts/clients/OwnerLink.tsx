import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useMay } from '../../data/useMay';

interface OwnerLinkProps {
  readonly id: string;
  readonly className: string;
  readonly children: ReactNode;
}

/** An owner's name; the way to their card for whoever may see it. */
export function OwnerLink({ id, className, children }: OwnerLinkProps) {
  return useMay('see addresses') ? (
    <Link to={`/owners/${id}`} className={className}>
      {children}
    </Link>
  ) : (
    children
  );
}

import type { ReactNode } from 'react';
import { classes } from './classes';

interface CardProps {
  readonly title?: ReactNode;
  /** Stands at the right of the title. */
  readonly aside?: ReactNode;
  readonly className?: string;
  readonly children: ReactNode;
}

export function Card({ title, aside, className, children }: CardProps) {
  return (
    <section className={classes('bg-surface border border-line rounded-card px-4.5 py-4', className)}>
      {(title ?? aside) && (
        <header className="flex items-baseline justify-between gap-x-4 mb-2.5">
          <h2>{title}</h2>
          <div className="text-sm text-soft text-right shrink-0 max-w-[60%]">{aside}</div>
        </header>
      )}
      {children}
    </section>
  );
}

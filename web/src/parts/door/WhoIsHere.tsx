import { Lock } from 'lucide-react';
import { useSession } from '../../data/queries';
import { lock } from '../../data/tablet';
import { classes } from '../../ui/classes';

/** On a shared tablet: who is at it. A tap locks it, and lets the next one come. */
export function WhoIsHere({ className }: { readonly className?: string }) {
  const session = useSession().data;
  if (!session?.tablet) return null;
  const { name } = session.person;
  return (
    <button
      type="button"
      onClick={lock}
      aria-label={`${name} is here: lock, or somebody else`}
      className={classes(
        'flex items-center justify-center gap-1 min-h-14 shrink-0 rounded-xl border-2 border-pond text-pond font-bold leading-tight px-1.5',
        className,
      )}
    >
      <Lock size={19} aria-hidden className="shrink-0" />
      <span className="max-w-20 truncate text-[13px]">{name.split(' ')[0]}</span>
    </button>
  );
}

import type { SavedAtOnce } from './useSavedAtOnce';
import { Button } from '../ui/Button';
import { Conflict } from './Conflict';
import { classes } from '../ui/classes';

interface NotSavedProps<Form extends object> {
  readonly at: SavedAtOnce<Form>;
  /** "this sheet" */
  readonly what: string;
  readonly names: Readonly<Record<keyof Form, string>>;
  /** A field as one reads it. */
  readonly show: (field: keyof Form, form: Form) => string;
  readonly className?: string;
}

/** What stands here and not yet at the server, and why. */
export function NotSaved<Form extends object>({ at, className = '', ...words }: NotSavedProps<Form>) {
  return (
    <div className={classes('no-print empty:hidden sticky top-2 z-20', className)}>
      <Conflict draft={at.draft} {...words} />
      {at.notSaved !== null && (
        <div role="alert" className="rounded-xl bg-watch-pale text-watch px-4 py-2 flex flex-wrap items-center gap-3">
          <span className="font-semibold flex-1 basis-64">Not kept yet. {at.notSaved}</span>
          <Button onClick={at.again}>Try again</Button>
          <Button look="quiet" onClick={at.giveUp}>
            As it was
          </Button>
        </div>
      )}
    </div>
  );
}

import { RadioGroup } from 'radix-ui';
import type { ReactNode } from 'react';
import { classes } from './classes';

interface OneOfProps {
  readonly label: string;
  readonly options: readonly { readonly key: string; readonly shows: ReactNode }[];
  /** Null: none yet. */
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
  /** How the cards stand. */
  readonly className: string;
  /** How a card looks besides its frame. */
  readonly card: string;
}

/** A few things side by side, of which one is taken: by touch, or with the arrow keys. */
export const OneOf = ({ label, options, chosen, onChoose, className, card }: OneOfProps) => (
  <RadioGroup.Root aria-label={label} value={chosen} onValueChange={onChoose} className={className}>
    {options.map(({ key, shows }) => (
      <RadioGroup.Item
        key={key}
        value={key}
        className={classes(
          'rounded-xl border border-line text-left data-[state=checked]:border-pond data-[state=checked]:bg-pond-pale',
          card,
        )}
      >
        {shows}
      </RadioGroup.Item>
    ))}
  </RadioGroup.Root>
);

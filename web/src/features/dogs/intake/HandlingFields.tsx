import {
  BEST_TIMES,
  DRYERS,
  HEARING,
  HELPERS,
  LIKES,
  MINDS,
  MUZZLES_WORN,
  SIGHT,
  TETHERS,
  type HandlingNotes,
} from '@dewpond/core/handling';
import { Toggle } from 'radix-ui';
import { classes } from '../../../ui/classes';
import { SelectField } from '../../../ui/SelectField';

interface HandlingFieldsProps {
  readonly notes: HandlingNotes;
  readonly set: (change: Partial<HandlingNotes>) => void;
}

const CHOICES = {
  helper: { label: 'Helper', values: HELPERS },
  tether: { label: 'Held by', values: TETHERS },
  muzzle: { label: 'Muzzle', values: MUZZLES_WORN },
  dryer: { label: 'Dryer', values: DRYERS },
  sight: { label: 'Sight', values: SIGHT },
  hearing: { label: 'Hearing', values: HEARING },
  bestTime: { label: 'Best time', values: BEST_TIMES },
} as const;
type HandlingChoice = keyof typeof CHOICES;

/** What the dog minds and likes, one tap each; then who and what it takes. */
export function HandlingFields({ notes, set }: HandlingFieldsProps) {
  return (
    <>
      <Taps name="Minds" all={MINDS} chosen={notes.minds} tone={MINDED} onChange={(minds) => set({ minds })} />
      <Taps name="Likes" all={LIKES} chosen={notes.likes} tone={LIKED} onChange={(likes) => set({ likes })} />
      <details
        className="col-span-2 group"
        open={(Object.keys(CHOICES) as HandlingChoice[]).some((key) => notes[key] !== CHOICES[key].values[0])}
      >
        <summary className="cursor-pointer min-h-11 flex items-center font-semibold text-pond">
          Helper, muzzle, dryer, senses, best time
        </summary>
        <div className="grid grid-cols-3 max-md:grid-cols-2 gap-4 pt-1">
          {(Object.keys(CHOICES) as HandlingChoice[]).map((key) => (
            <SelectField
              key={key}
              label={CHOICES[key].label}
              value={notes[key]}
              onChange={(event) => set({ [key]: event.target.value })}
            >
              {CHOICES[key].values.map((value) => (
                <option key={value}>{value}</option>
              ))}
            </SelectField>
          ))}
        </div>
      </details>
    </>
  );
}

const MINDED = 'data-[state=on]:bg-watch-pale data-[state=on]:text-watch data-[state=on]:border-watch';
const LIKED = 'data-[state=on]:bg-reed-pale data-[state=on]:text-reed data-[state=on]:border-reed';

function Taps<T extends string>({
  name,
  all,
  chosen,
  tone,
  onChange,
}: {
  readonly name: string;
  readonly all: readonly T[];
  readonly chosen: readonly T[];
  readonly tone: string;
  readonly onChange: (chosen: T[]) => void;
}) {
  return (
    <div role="group" aria-label={name} className="col-span-2">
      <p className="text-sm font-semibold mb-1.5">{name}</p>
      <div className="flex flex-wrap gap-1.5">
        {all.map((what) => (
          <Toggle.Root
            key={what}
            pressed={chosen.includes(what)}
            onPressedChange={(pressed) =>
              onChange(all.filter((each) => (each === what ? pressed : chosen.includes(each))))
            }
            className={classes(
              'rounded-full border border-line px-3.5 min-h-11 text-[15px] text-soft data-[state=on]:font-semibold',
              tone,
            )}
          >
            {what}
          </Toggle.Root>
        ))}
      </div>
    </div>
  );
}

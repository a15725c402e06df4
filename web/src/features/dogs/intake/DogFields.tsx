import { COAT_LENGTHS, composeTraits, nameBreeds, usualWeight } from '@dewpond/core/catalogue';
import { ALL_INTAKE_QUESTIONS, COAT_CONDITIONS, SKIN, intakeQuestions, type IntakeQuestion } from '@dewpond/core/dog';
import { isDay, kilograms, showWeight, yearsOld, type Day } from '@dewpond/core/units';
import { useCatalogue } from '../../../data/useCatalogue';
import { typedNumber } from '../../../forms/typedNumber';
import { useUnits } from '../../../data/useUnits';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { BreedPicker } from './BreedPicker';
import { HandlingFields } from './HandlingFields';
import type { Fields } from '../../../forms/useDraft';
import type { DogForm } from './dogForm';
import { DayField } from '../../../forms/DayField';

interface DogFieldsProps {
  readonly draft: Fields<DogForm>;
  readonly today: string;
  /** At a first visit only what this breed and coat raise is asked. */
  readonly ask: 'what is raised' | 'everything';
}

/** Name, breed, weight, and only the questions this breed and coat raise. */
export function DogFields({ draft, today, ask }: DogFieldsProps) {
  const { form, set, within } = draft;
  const text = (key: 'name' | 'born' | 'chip' | 'note') => draft.field(key, `profile.${key}`);
  const everything = ask === 'everything';
  return (
    <>
      <TextField label="Dog’s name" autoComplete="off" {...text('name')} />
      <Weight draft={draft} />
      <div className="col-span-2">
        <BreedPicker value={form.breeds} error={within('profile.breeds')} onChange={(breeds) => set({ breeds })} />
      </div>
      <DayField label="Born" hint="empty if nobody knows" {...text('born')} />
      <SelectField label="Skin" {...draft.field('skin')}>
        {SKIN.map((skin) => (
          <option key={skin}>{skin}</option>
        ))}
      </SelectField>
      {everything && (
        <>
          <SelectField label="Dog or bitch" {...draft.field('sex')}>
            {(['not known', 'dog', 'bitch'] as const).map((sex) => (
              <option key={sex}>{sex}</option>
            ))}
          </SelectField>
          <TextField label="Chip" autoComplete="off" inputMode="numeric" hint="fifteen digits" {...text('chip')} />
        </>
      )}
      <Questions draft={draft} today={today} everything={everything} />
      <HandlingFields notes={form.handling} set={(change) => set({ handling: { ...form.handling, ...change } })} />
      <div className="col-span-2">
        <TextField
          label="To mind besides"
          placeholder="own towel, barks at the hoist"
          hint="short marks, parted by commas; they stay in sight"
          {...draft.field('marks')}
          error={within('profile.handling')}
        />
      </div>
      {everything && (
        <div className="col-span-2">
          <TextField label="Note" {...text('note')} />
        </div>
      )}
    </>
  );
}

function Weight({ draft: { form, field } }: Pick<DogFieldsProps, 'draft'>) {
  const units = useUnits();
  const catalogue = useCatalogue();
  const range = usualWeight(form.breeds, catalogue);
  const kilos = (end: number) => showWeight(kilograms(end), units);
  return (
    <TextField
      label={units === 'US' ? 'Weight, lb' : 'Weight, kg'}
      inputMode="decimal"
      autoComplete="off"
      hint={
        range === null
          ? undefined
          : `${nameBreeds(form.breeds, catalogue)}: mostly ${kilos(range[0]).split(' ')[0]}–${kilos(range[1])}`
      }
      {...field('weight', 'profile.weightKg')}
    />
  );
}

const TICKS: readonly IntakeQuestion[] = [
  'pluckingConsent',
  'tearingSeenByVet',
  'cannotStand',
  'swims',
  'nailsOvergrown',
];
const TROUBLES = ['none', 'in the past, vet knows', 'in the past, no word from a vet'] as const;

/** What this dog raises, each with why it is asked. */
function Questions({
  draft,
  today,
  everything,
}: Pick<DogFieldsProps, 'draft' | 'today'> & { readonly everything: boolean }) {
  const { form, set, field } = draft;
  const { traits, breeds } = composeTraits(form.breeds, form.seen, useCatalogue());
  const typed = typedNumber(form.weight);
  const raised = intakeQuestions({
    traits,
    breeds,
    weight: typed > 0 ? typed : null,
    years: isDay(form.born) && form.born <= today ? yearsOld(form.born, today as Day) : null,
  });
  const why = new Map(raised.map(({ question, because }) => [question, because]));
  const asked = ALL_INTAKE_QUESTIONS.filter(({ question }) => everything || why.has(question));
  const asks = (question: IntakeQuestion) => asked.find((each) => each.question === question)?.asks;
  return (
    <>
      {asks('coatLength') && (
        <SelectField
          label="Length now"
          hint={form.seen.coatLength ? 'seen on this dog' : 'the breed’s usual, until you say so'}
          value={traits.coatLength}
          onChange={(event) =>
            set({ seen: { ...form.seen, coatLength: event.target.value as (typeof COAT_LENGTHS)[number] } })
          }
        >
          {COAT_LENGTHS.map((length) => (
            <option key={length}>{length}</option>
          ))}
        </SelectField>
      )}
      {asks('coatLength') && (
        <SelectField label="Coat now" {...field('coatCondition')}>
          {COAT_CONDITIONS.map((condition) => (
            <option key={condition}>{condition}</option>
          ))}
        </SelectField>
      )}
      {asks('earTrouble') && (
        <SelectField label="Ear trouble before?" hint={why.get('earTrouble')} {...field('earTrouble')}>
          {TROUBLES.map((trouble) => (
            <option key={trouble}>{trouble}</option>
          ))}
        </SelectField>
      )}
      {asks('everPlucked') && <EverPlucked draft={draft} today={today} why={why.get('everPlucked')} />}
      <div className="col-span-2 grid grid-cols-2 max-md:grid-cols-1 gap-x-4">
        {asked
          .filter(({ question }) => TICKS.includes(question))
          .map(({ question, asks: label }) => (
            <Tick
              key={question}
              label={label}
              why={why.get(question)}
              checked={form[question as 'swims']}
              onChange={(checked) => set({ [question]: checked })}
            />
          ))}
      </div>
    </>
  );
}

/** Of both ears in one; each ear apart stands under what was before. */
function EverPlucked({
  draft: { form, set, within },
  today,
  why,
}: Pick<DogFieldsProps, 'draft' | 'today'> & { readonly why: string | undefined }) {
  const { plucked } = form.ears.left;
  const onDay = plucked !== 'never' && plucked !== 'not known';
  const say = (to: string) => {
    const its = to as typeof plucked;
    set({ ears: { left: { ...form.ears.left, plucked: its }, right: { ...form.ears.right, plucked: its } } });
  };
  return (
    <>
      <SelectField
        label="Ears ever plucked?"
        hint={why}
        value={onDay ? 'on' : plucked}
        onChange={(event) => say(event.target.value === 'on' ? today : event.target.value)}
      >
        <option value="not known">nobody knows</option>
        <option value="never">never</option>
        <option value="on">yes, last on a day</option>
      </SelectField>
      {onDay && (
        <DayField
          label="Last plucked on"
          max={today}
          error={within('profile.ears')}
          value={plucked}
          onChange={(event) => say(event.target.value)}
        />
      )}
    </>
  );
}

function Tick({
  label,
  why,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly why: string | undefined;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-3 min-h-11 cursor-pointer">
      <input
        type="checkbox"
        aria-label={label}
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        className="size-5 accent-pond shrink-0"
      />
      <span className="leading-tight">
        {label}
        {why && why !== 'asked of every dog' && <span className="block text-[13px] text-soft">{why}</span>}
      </span>
    </label>
  );
}

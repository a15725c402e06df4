import { FOLD_DEPTHS, type PlainTrait, type Traits } from '@dewpond/core/catalogue';
import { FOLD_SITES, type FoldSite } from '@dewpond/core/places';
import { SelectField } from '../../ui/SelectField';
import { PLAIN_TRAITS, TRAIT_CHOICES } from './traitWords';

interface TraitSelectsProps {
  readonly traits: Traits;
  readonly onChange: (change: Partial<Traits>) => void;
  /** Where a trait is called otherwise here. */
  readonly names?: Readonly<Partial<Record<PlainTrait, string>>>;
  /** What stands below a trait or a fold that is so now; undefined: nothing. */
  readonly hint?: (of: PlainTrait | FoldSite, now: string) => string | undefined;
  readonly error?: (trait: PlainTrait) => string | undefined;
}

/** Coat, ears, face, and how deep each fold is, as lists to choose from. */
export function TraitSelects({ traits, onChange, names = {}, hint, error }: TraitSelectsProps) {
  return (
    <>
      {PLAIN_TRAITS.map((trait) => (
        <SelectField
          key={trait}
          label={names[trait] ?? TRAIT_CHOICES[trait].name}
          value={traits[trait]}
          hint={hint?.(trait, traits[trait])}
          error={error?.(trait)}
          onChange={(event) => onChange({ [trait]: event.target.value })}
        >
          {TRAIT_CHOICES[trait].values.map((value) => (
            <option key={value}>{value}</option>
          ))}
        </SelectField>
      ))}
      {FOLD_SITES.map((site) => (
        <SelectField
          key={site}
          label={`Fold: ${site}`}
          value={traits.folds[site] ?? 'none'}
          hint={hint?.(site, traits.folds[site] ?? 'none')}
          onChange={(event) => {
            const { [site]: _, ...others } = traits.folds;
            const depth = event.target.value;
            onChange({ folds: depth === 'light' || depth === 'deep' ? { ...others, [site]: depth } : others });
          }}
        >
          {FOLD_DEPTHS.map((depth) => (
            <option key={depth}>{depth}</option>
          ))}
        </SelectField>
      ))}
    </>
  );
}

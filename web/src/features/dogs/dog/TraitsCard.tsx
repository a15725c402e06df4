import type { DogView } from '@dewpond/contract';
import { HANDLING, composeTraits, type Traits } from '@dewpond/core/catalogue';
import { COMMON_PRACTICE } from '@dewpond/core/provenance';

import { useCatalogue } from '../../../data/useCatalogue';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { classes } from '../../../ui/classes';
import { PLAIN_TRAITS, TRAIT_CHOICES, traitWords } from '../../../parts/dogs/traitWords';
import { showDay } from '../../../browser/times';

const ROWS: readonly (keyof Traits)[] = [...PLAIN_TRAITS, 'folds'];

/** What this dog is like: what was seen on it, what its breed is only assumed to have, and whose trait that is. */
export function TraitsCard({ dog, onTry }: { readonly dog: DogView; readonly onTry: () => void }) {
  const { traits, basis, from, handling } = composeTraits(dog.profile.breeds, dog.profile.seen, useCatalogue());
  return (
    <Card title="What it is like" aside={<Button onClick={onTry}>Seen otherwise?</Button>}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
        {ROWS.map((key) => {
          const seen = dog.seenOn[key];
          return (
            <div key={key} className="contents">
              <dt className="text-soft">{key === 'folds' ? 'Folds' : TRAIT_CHOICES[key].name}</dt>
              <dd>
                <span className={classes(basis[key] === 'seen' && 'font-bold')}>{traitWords(traits, key)}</span>
                <span className="block text-[13px] text-soft leading-tight">
                  {seen ? `seen ${showDay(seen.day)}, ${seen.by}` : from[key] ? `assumed, as ${from[key]}` : basis[key]}
                </span>
              </dd>
            </div>
          );
        })}
      </dl>
      {handling.length > 0 && (
        <ul className="mt-3 pt-3 border-t border-line text-sm flex flex-col gap-1">
          {handling.map((matter) => (
            <li key={matter}>
              {HANDLING[matter]}{' '}
              <SourceMark source={COMMON_PRACTICE} because="Most dogs of this breed; this one may differ." />
            </li>
          ))}
        </ul>
      )}
    </Card>
  );
}

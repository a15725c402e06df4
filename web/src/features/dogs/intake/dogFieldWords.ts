import type { PlainTrait } from '@dewpond/core/catalogue';
import { foldWords, TRAIT_CHOICES } from '../../../parts/dogs/traitWords';
import type { DogForm } from './dogForm';

/** A dog as it is changed: what its form holds, and whom the business asks about it. */
export type EditedDog = DogForm & { readonly vetId: string; readonly homeCareChangedOn: string };

/** Fields of a dog as the form names them, to set two changes side by side. */
export const FIELD_NAMES: Readonly<Record<keyof EditedDog, string>> = {
  clientId: 'Owner',
  owner: 'Owner',
  phone: 'Phone',
  email: 'E-mail',
  name: 'Name',
  breeds: 'Breed, or parents of a cross',
  weight: 'Weight',
  born: 'Born',
  skin: 'Skin',
  coatCondition: 'Coat condition',
  tearingSeenByVet: 'A vet has seen the watering eye',
  pluckingConsent: 'Owner agrees to plucking',
  cannotStand: 'Cannot stand through a bath',
  swims: 'Swims',
  nailsOvergrown: 'Nails overgrown',
  earTrouble: 'Ear trouble',
  seen: 'Seen on the dog itself',
  sex: 'Sex',
  chip: 'Chip',
  handling: 'Handling',
  marks: 'Marks',
  note: 'Note',
  nailBled: 'A nail bled before',
  reactions: 'Reacted to',
  hazeKnown: 'Age haze, known to a vet',
  ears: 'Ears so far',
  pluckingStress: 'Stress when plucked',
  grassSeedMonths: 'Grass-seed months',
  hayFeverMonths: 'Hay-fever months',
  dirtyWork: 'Dirty work',
  hardGround: 'Walks on hard ground, or digs',
  whiteCoat: 'White or pale coat',
  stiffJoints: 'Stiff joints',
  tightBreathing: 'Tight breathing',
  vetId: 'Vet',
  homeCareChangedOn: 'Home care last changed on',
};

/** A field as one reads it. */
export function showField(
  field: keyof EditedDog,
  form: EditedDog,
  { vets, unit }: { readonly vets: readonly { readonly id: string; readonly name: string }[]; readonly unit: string },
): string {
  switch (field) {
    case 'seen':
      return Object.entries(form.seen)
        .map(([trait, value]) =>
          typeof value === 'string'
            ? `${TRAIT_CHOICES[trait as PlainTrait].name}: ${value}`
            : `Folds: ${foldWords(value)}`,
        )
        .join('\n');
    case 'handling': {
      const { marks: _, minds, likes, ...plain } = form.handling;
      return [...minds, ...likes.map((each) => `likes ${each}`), ...Object.values(plain)].join('\n');
    }
    case 'ears':
      return (['left', 'right'] as const)
        .map((side) => {
          const { conditions, plucked, ownerForbidsPlucking } = form.ears[side];
          const forbids = ownerForbidsPlucking ? ['the owner forbids plucking'] : [];
          return `${side}: ${[...conditions, `plucked: ${plucked}`, ...forbids].join(', ')}`;
        })
        .join('\n');
    case 'weight':
      return form.weight === '' ? '' : `${form.weight} ${unit}`;
    case 'vetId':
      return vets.find(({ id }) => id === form.vetId)?.name ?? 'not known';
    default: {
      const value = form[field];
      if (typeof value === 'boolean') return value ? 'yes' : 'no';
      return typeof value === 'string' ? value : value.join(', ');
    }
  }
}

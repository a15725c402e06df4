import type { Breed } from './row';
import { crossOf } from '../crossOf';
import { BREED_BY_ID } from './pure';

/** A common cross: its parents give the traits, the more demanding one where they differ. */
const cross = (id: string, name: string, parents: readonly [string, string, ...string[]], weightKg: readonly [number, number], more: { readonly also?: readonly string[]; readonly earOdds?: number } = {}): Breed =>
  crossOf(
    { id, name, weightKg, alsoCalled: more.also ?? [], earOdds: more.earOdds ?? null },
    parents.map((parent) => {
      const known = BREED_BY_ID.get(parent);
      if (!known) throw new RangeError(`${name}: no breed "${parent}".`);
      return known;
    }),
  );

/** The crosses that have a name at every salon door. Weights from memory of common practice. */
export const CROSSES: readonly Breed[] = [
  cross('aussiedoodle', 'Aussiedoodle', ['aussie', 'poodle-standard'], [18, 31]),
  cross('bassador', 'Bassador', ['basset', 'labrador'], [20, 30]),
  cross('beaglier', 'Beaglier', ['beagle', 'cavalier'], [7, 12]),
  cross('bernedoodle', 'Bernedoodle', ['bernese', 'poodle-standard'], [25, 45]),
  cross('bichpoo', 'Poochon', ['bichon', 'poodle-miniature'], [4, 8], { also: ['Bichpoo'] }),
  cross('borador', 'Borador', ['border-collie', 'labrador'], [16, 30]),
  cross('border-aussie', 'Border Aussie', ['border-collie', 'aussie'], [14, 28]),
  cross('bullboxer', 'Bullboxer', ['boxer', 'staffie'], [18, 32]),
  cross('cavachon', 'Cavachon', ['cavalier', 'bichon'], [5, 9]),
  cross('cavapoo', 'Cavapoo', ['cavalier', 'poodle-miniature'], [5, 10], { also: ['Cavoodle'] }),
  cross('cavapoochon', 'Cavapoochon', ['cavalier', 'poodle-toy', 'bichon'], [4, 8]),
  cross('cavashon', 'Cav-a-Zu', ['cavalier', 'shih-tzu'], [5, 9]),
  cross('chipoo', 'Chipoo', ['chihuahua', 'poodle-toy'], [2, 4.5]),
  cross('chiweenie', 'Chiweenie', ['chihuahua', 'dachshund-mini-smooth'], [2.5, 6]),
  cross('chorkie', 'Chorkie', ['chihuahua', 'yorkie'], [2, 3.5]),
  cross('chug', 'Chug', ['chihuahua', 'pug'], [4, 8]),
  cross('cockalier', 'Cockalier', ['cocker', 'cavalier'], [8, 13]),
  cross('cockapoo', 'Cockapoo', ['cocker', 'poodle-miniature'], [6, 14], { also: ['Spoodle'] }),
  cross('dorgi', 'Dorgi', ['dachshund-smooth', 'pembroke'], [7, 14]),
  cross('doxiepoo', 'Doxiepoo', ['dachshund-mini-smooth', 'poodle-toy'], [3, 6]),
  cross('frug', 'Frug', ['french-bulldog', 'pug'], [7, 13]),
  cross('goldador', 'Goldador', ['golden', 'labrador'], [25, 36]),
  cross('goldendoodle', 'Goldendoodle', ['golden', 'poodle-standard'], [20, 34]),
  cross('gerberian', 'Gerberian Shepsky', ['german-shepherd', 'husky'], [20, 36]),
  cross('jackapoo', 'Jackapoo', ['jack-russell', 'poodle-miniature'], [5, 9]),
  cross('jackhuahua', 'Jackhuahua', ['jack-russell', 'chihuahua'], [3, 6]),
  cross('jug', 'Jug', ['jack-russell', 'pug'], [6, 9]),
  cross('labradoodle', 'Labradoodle', ['labrador', 'poodle-standard'], [20, 32], { earOdds: 2.95 }),
  cross('lhasapoo', 'Lhasapoo', ['lhasa', 'poodle-miniature'], [5, 9]),
  cross('lurcher', 'Lurcher', ['greyhound', 'bedlington'], [20, 32]),
  cross('malshi', 'Malshi', ['maltese', 'shih-tzu'], [3, 6]),
  cross('maltipoo', 'Maltipoo', ['maltese', 'poodle-toy'], [2, 4.5]),
  cross('morkie', 'Morkie', ['maltese', 'yorkie'], [2, 4]),
  cross('pomchi', 'Pomchi', ['pomeranian', 'chihuahua'], [1.8, 3.5]),
  cross('pomapoo', 'Pomapoo', ['pomeranian', 'poodle-toy'], [2, 4.5]),
  cross('pomsky', 'Pomsky', ['pomeranian', 'husky'], [7, 15]),
  cross('puggle', 'Puggle', ['pug', 'beagle'], [7, 14]),
  cross('schnoodle', 'Schnoodle', ['miniature-schnauzer', 'poodle-miniature'], [5, 9]),
  cross('sheepadoodle', 'Sheepadoodle', ['old-english-sheepdog', 'poodle-standard'], [25, 40]),
  cross('shihpoo', 'Shih-Poo', ['shih-tzu', 'poodle-toy'], [3, 7]),
  cross('shorkie', 'Shorkie', ['shih-tzu', 'yorkie'], [3, 6]),
  cross('sprocker', 'Sprocker Spaniel', ['springer', 'cocker'], [14, 20]),
  cross('sprollie', 'Sprollie', ['springer', 'border-collie'], [15, 23]),
  cross('springador', 'Springador', ['springer', 'labrador'], [20, 32]),
  cross('springerdoodle', 'Springerdoodle', ['springer', 'poodle-standard'], [18, 27], { also: ['Sproodle'] }),
  cross('westiepoo', 'Westiepoo', ['westie', 'poodle-miniature'], [5, 10]),
  cross('yorkiepoo', 'Yorkiepoo', ['yorkie', 'poodle-toy'], [2, 4.5]),
  cross('zuchon', 'Zuchon', ['shih-tzu', 'bichon'], [4, 8], { also: ['Teddy bear'] }),
];

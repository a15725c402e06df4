import {
  FEET,
  FOLD_SITES,
  SITES,
  TOES,
  placeKey,
  type FoldSite,
  type Foot,
  type Place,
  type PlaceKey,
  type Site,
  type Toe,
} from '../../places';
import { NAMED_PLACES } from '../namedPlaces';

/** A noun: as one, as two, and whether it is feminine, for "izquierda" or "izquierdo". */
interface Noun {
  readonly one: string;
  readonly two: string;
  readonly feminine: boolean;
}
const she = (one: string, two = `${one}s`): Noun => ({ one, two, feminine: true });
const he = (one: string, two = `${one}s`): Noun => ({ one, two, feminine: false });

const FOLDS: Readonly<Record<FoldSite, Noun>> = {
  nose: he('pliegue de la nariz', 'pliegues de la nariz'),
  pocket: she('bolsa entre ojo y nariz', 'bolsas entre ojo y nariz'),
  lip: he('pliegue del labio', 'pliegues de los labios'),
  brow: he('pliegue de la ceja', 'pliegues de las cejas'),
  neck: he('pliegue del cuello', 'pliegues del cuello'),
  tail: he('pliegue de la cola', 'pliegues de la cola'),
  vulva: he('pliegue de la vulva', 'pliegues de la vulva'),
};

const FOOT = { front: 'delantera', hind: 'trasera' } as const;

/** Sides after the noun, in its gender; a composed name keeps its side in brackets. */
const NOUNS: Readonly<Record<Site, Noun>> = {
  ear: she('oreja'),
  eye: he('ojo'),
  'nose pad': she('trufa'),
  mouth: she('boca'),
  head: she('cabeza'),
  back: he('lomo'),
  side: he('costado'),
  belly: she('barriga'),
  'leg front': she('pata delantera', 'patas delanteras'),
  'leg hind': she('pata trasera', 'patas traseras'),
  rear: she('zona bajo la cola', 'zonas bajo la cola'),
  body: he('todo el perro', 'todo el perro'),
  ...(Object.fromEntries(FOLD_SITES.map((fold) => [`fold ${fold}`, FOLDS[fold]])) as Record<`fold ${FoldSite}`, Noun>),
  ...(Object.fromEntries(
    FEET.flatMap((foot) => [
      [`paw ${foot}`, he(`pie de la pata ${FOOT[foot]}`, `pies de las patas ${FOOT[foot]}s`)],
      ...TOES.map((toe) => [
        `nail ${foot} ${toe}`,
        toe === 1
          ? he(`espolón de la pata ${FOOT[foot]}`, `espolones de las patas ${FOOT[foot]}s`)
          : she(`uña ${toe} de la pata ${FOOT[foot]}`, `uñas ${toe} de las patas ${FOOT[foot]}s`),
      ]),
    ]),
  ) as Record<`paw ${Foot}` | `nail ${Foot} ${Toe}`, Noun>),
};

const sideOf = ({ side }: Place, { feminine }: Noun): string =>
  side === 'none' ? '' : side === 'left' ? (feminine ? 'izquierda' : 'izquierdo') : feminine ? 'derecha' : 'derecho';

/** "oreja izquierda", "pliegue del labio (izquierdo)". */
function named(place: Place): string {
  const noun = NOUNS[place.site];
  const side = sideOf(place, noun);
  if (side === '') return noun.one;
  return noun.one.includes(' ') ? `${noun.one} (${side})` : `${noun.one} ${side}`;
}

export const PLACES_ES: Readonly<Partial<Record<PlaceKey, string>>> = Object.fromEntries(
  NAMED_PLACES.map((place) => [placeKey(place), named(place)]),
);

export const BOTH_ES: Readonly<Partial<Record<Site, string>>> = Object.fromEntries(
  SITES.map((site) => [site, `${NOUNS[site].feminine ? 'ambas' : 'ambos'} ${NOUNS[site].two}`]),
);

export {
  ALL_CONSENTS,
  CHANNELS,
  CONSENTS,
  EMPTY_CARD,
  NO_ADDRESS,
  addressLine,
  type Address,
  type Channel,
  type ClientCard,
  type Consent,
  type Coordinates,
  type Phone,
  type Word,
} from './card';
export { isOnEarth, readCoordinates, showCoordinates } from './coordinates';
export { mergeCards } from './mergeCards';
export { clientKeys, knownClients, likelySame, phoneDigits, plainWords } from './sameClient';
export { LANGUAGES, LANGUAGE_NAMES, isLanguage, type Language } from './languages';

export {
  ALL_HOUSE_QUESTIONS,
  DEFAULT_HOUSE_WAYS,
  HOUSE_QUESTIONS,
  mostWaste,
  schoolWords,
  type HouseQuestion,
  type HouseWays,
} from './houseWays';
export { HOUSE_STANCES } from './stances';
export { KEPT_KINDS, RETENTION, isRetention, keptFrom, type KeptKind, type Retention } from './retention';
export {
  ALL_SERVICES,
  DEFAULT_SERVICES,
  BUSINESS_DOES,
  SERVICES,
  serviceOf,
  type BusinessDoes,
  type BusinessServices,
  type ServiceKey,
} from './services';
export { COUNTRIES, COUNTRY_CODES, countryOf, countryOfZone, type Country, type CountryCode } from './countries';

export {
  ALL_HOUSE_QUESTIONS,
  DEFAULT_HOUSE_WAYS,
  HOUSE_QUESTIONS,
  HOUSE_STANCES,
  mostWaste,
  schoolWords,
  type HouseQuestion,
  type HouseWays,
} from './houseWays';
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

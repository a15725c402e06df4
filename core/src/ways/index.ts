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
  HOUSE_DOES,
  SERVICES,
  serviceOf,
  type HouseDoes,
  type HouseServices,
  type ServiceKey,
} from './services';

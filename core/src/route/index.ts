export { USUAL_ROADS, drivingByRoad, drivingByTable, greatCircle, type RoadWays } from './driving';
export { geoJsonOf, geoLink, gpxOf } from './openFormats';
export { EXACT_TO, planRound, roundInOrder, type RoundOptions } from './planRound';
export { readMatrix, type MatrixRead } from './readMatrix';
export {
  ROUND_COSTS,
  placesOfRound,
  type Driving,
  type Lunch,
  type PlannedRound,
  type RefillPlace,
  type VanRound,
  type RoundCosts,
  type RoundStep,
  type VanStop,
} from './round';
export {
  HOME,
  USUAL_VAN,
  batteryEndsBefore,
  driveToStop,
  drivingFor,
  dryerFor,
  roundOf,
  tableToFill,
  waterFor,
  withoutPlaces,
  type DriveTable,
  type VanWays,
} from './vanWays';

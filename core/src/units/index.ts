export type { Brand } from './brand';
export {
  HEAVIEST_DOG_KG,
  LIGHTEST_DOG_KG,
  kilograms,
  millilitres,
  minutes,
  type Kilograms,
  type Millilitres,
  type Minutes,
  type SquareMetres,
} from './quantities';
export {
  KG_PER_POUND,
  ML_PER_FLUID_OUNCE,
  VOLUME_UNIT,
  showInColumn,
  showProduct,
  showVolume,
  showWeight,
  volumeFrom,
  volumeIn,
  type UnitSystem,
} from './showUnits';
export {
  addDays,
  addMonths,
  day,
  daysBetween,
  daysApart,
  everyWords,
  timesADay,
  isDay,
  monthOf,
  showDay,
  showDayOfYear,
  showMonth,
  yearsOld,
  type Day,
} from './day';
export { readDay, readTime, showTime, type DateOrder, type ReadDay } from './readDay';

export {
  dueFirst,
  homeDays,
  homeKeyWords,
  homeShare,
  homeTaskName,
  namedAtHome,
  homeTasks,
  nextHomeDay,
  openSince,
  taskOfKey,
  timesTicked,
  type HomeCareToday,
  type HomeStep,
  type HomeTask,
  type HomeTick,
} from './homeTasks';
export { stepHome, type Looks, type HomeLook } from './stepHome';
export { fitHome, weeklyMinutes, type HomeFit } from './fitHome';
export { HABIT_DAYS, asTicked, comeSooner, habitsAt, isManaged, isSeldom, type Habit } from './habit';
export { ALL_FOLLOWS, worthOf, type Follows } from './worth';

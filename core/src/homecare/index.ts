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
  type HomeCareToday,
  type HomeStep,
  type HomeTask,
  type HomeTick,
} from './homeTasks';
export { stepHome, type Looks, type HomeLook } from './stepHome';
export { ALL_FOLLOWS, fitHome, weeklyMinutes, type Follows, type HomeFit } from './fitHome';

export {
  dueFirst,
  homeDays,
  homeShare,
  homeTaskName,
  namedAtHome,
  homeTasks,
  nextHomeDay,
  openSince,
  type HomeCareToday,
  type HomeTask,
  type HomeTick,
} from './homeTasks';

export {
  dueFirst,
  homeDays,
  homeShare,
  homeTaskName,
  namedAtHome,
  homeTasks,
  nextHomeDay,
  openSince,
  type HomeStanding,
  type HomeTask,
  type HomeTick,
} from './homeTasks';

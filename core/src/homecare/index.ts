export {
  STOP_AT_HOME,
  dueFirst,
  homeDays,
  homeShare,
  homeTaskName,
  homeTasks,
  nextHomeDay,
  openSince,
  type HomeStanding,
  type HomeTask,
  type HomeTick,
} from './homeTasks';

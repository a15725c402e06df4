export { homeDays, homeShare, homeTaskName, homeTasks, nextHomeDay, type HomeTask, type HomeTick } from './homeTasks';

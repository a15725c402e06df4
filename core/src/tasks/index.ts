export {
  ALL_TASKS,
  TASKS,
  VET_TASKS,
  taskKey,
  tasksOf,
  type Round,
  type Task,
  type TaskAt,
  type VetTask,
} from './tasks';

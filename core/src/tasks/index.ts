export { ALL_TASKS, TASKS, taskKey, tasksOf, type Round, type Task, type TaskAt } from './tasks';

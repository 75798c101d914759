export * from './records.ts'
export { taskFold, tasksMissed, tasksOpen, type TaskMissed, type TaskOpen, type TaskState } from './task.ts'

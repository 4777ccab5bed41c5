export { evolveTask, type Task, type TaskEvent, TaskEventSchema } from './task'

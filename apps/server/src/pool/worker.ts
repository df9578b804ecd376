import { perform, type Task } from './tasks';

/** Entry of a worker thread. */
export default (task: Task) => perform(task);

import { setPriority } from 'node:os';
import { perform, type Task } from './tasks';

try {
  // Where the system gives each thread a priority of its own (Linux), requests go before what is worked out beside them.
  setPriority(0, 10);
} catch {
  // Elsewhere they share as they come.
}

/** Entry of a worker thread. */
export default (task: Task) => perform(task);

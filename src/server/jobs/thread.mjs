// Where a worker thread begins: from here on it reads TypeScript, which the server gets built but a thread does not.
import { workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import(workerData.job);

import { startClock } from '../../src/server/jobs/clock';

/** Another process on the same database: its clock ticks until it is killed. */
await startClock();
console.log('ticking');
setInterval(() => undefined, 60_000);

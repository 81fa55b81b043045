import { buildWorkers } from '../../scripts/build-workers.mjs';

/** Compiles the server's threads before the first test, as the build does. */
export default buildWorkers;

import { loadDemo, PREPARED } from './server';

/** Loads the demo department once, unless that was done before; each file of stories plays on a copy. */
export default function prepare(): void {
  if (process.env.DEMO_LOADED === undefined) loadDemo(PREPARED);
}

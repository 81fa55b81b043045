import { loadDemo, PREPARED } from './server';

/** Loads the demo department once; each file of stories plays on a copy. */
export default function prepare(): void {
  loadDemo(PREPARED);
}

import type { KindSample } from '../contract';
import { spots, type SpotsSetup } from './spots';

const keyed = (x: number): SpotsSetup => ({
  ...spots.fresh(),
  picture: { media: 'b'.repeat(64), ratio: 2, description: 'A power curve' },
  areas: [
    { id: 'r1', shape: 'round', x, y: 40, width: 10, height: 20, right: true, feedback: '' },
    { id: 'w1', shape: 'rectangle', x: 80, y: 80, width: 20, height: 20, right: false, feedback: 'Secret feedback' },
  ],
});

export const sample: KindSample<SpotsSetup> = { setup: keyed(30), otherKeys: [keyed(50), keyed(60)] };

import type { KindSample } from '../contract';
import { draw, type DrawSetup } from './draw';

const keyed = (example: string): DrawSetup => ({
  ...draw.fresh(),
  paper: { is: 'picture', media: 'c'.repeat(64), description: 'A tower from the side' },
  example,
});

export const sample: KindSample<DrawSetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: [keyed('a curve that flattens'), keyed('')],
  responses: [
    { shapes: [], words: 'It rises and then it is level.' },
    {
      shapes: [
        { is: 'pen', id: '1', colour: 'black', width: 'medium', points: [100, 400, 300, 200, 600, 190] },
        { is: 'arrow', id: '2', colour: 'blue', width: 'fine', x1: 100, y1: 400, x2: 100, y2: 100 },
        { is: 'text', id: '3', colour: 'black', width: 'fine', x1: 610, y1: 180, text: 'rated' },
      ],
      words: '',
    },
  ],
};

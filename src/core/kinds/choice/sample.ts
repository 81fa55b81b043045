import type { KindSample } from '../contract';
import { choice, type ChoiceSetup } from './choice';

const keyed = (key: string): ChoiceSetup => ({
  ...choice.fresh(),
  options: ['one', 'two', 'three', 'four'].map((text, i) => ({
    id: `o${i + 1}`,
    text,
    key: text === key,
    feedback: text === 'one' ? 'Secret feedback' : '',
  })),
});

export const sample: KindSample<ChoiceSetup> = {
  setup: keyed('two'),
  otherKeys: ['one', 'three', 'four'].map(keyed),
};

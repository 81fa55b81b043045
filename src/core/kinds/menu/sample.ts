import type { ChoiceSetup } from '../choice/choice';
import type { KindSample } from '../contract';
import { menu, withWords } from './menu';

const keyed = (key: string): ChoiceSetup => {
  const words = withWords(menu.fresh(), 'rises', ['falls', 'stays']);
  return {
    ...words,
    options: words.options.map((one) => ({
      ...one,
      key: one.text === key,
      feedback: one.text === 'falls' ? 'Secret feedback' : '',
    })),
  };
};

export const sample: KindSample<ChoiceSetup> = { setup: keyed('rises'), otherKeys: ['falls', 'stays'].map(keyed) };

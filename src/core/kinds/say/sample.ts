import { rulesFromKey } from '../../rules/text/rules';
import type { KindSample } from '../contract';
import { say, type SaySetup } from './say';

const keyed = (key: string): SaySetup => ({
  ...say.fresh(),
  rules: { ...rulesFromKey(key), otherwise: 'zero' },
  spoken: [
    { id: 's1', words: key, sound: 'c'.repeat(64) },
    { id: 's2', words: 'something else', sound: 'd'.repeat(64) },
  ],
});

export const sample: KindSample<SaySetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: [keyed('another'), { ...keyed('secretkeyword'), spoken: keyed('secretkeyword').spoken.slice(0, 1) }],
};

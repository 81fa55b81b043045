import { rulesFromKey } from '../../rules/text/rules';
import type { KindSample } from '../contract';
import { shortText, type ShortTextSetup } from './short-text';

const keyed = (key: string): ShortTextSetup => ({ ...shortText.fresh(), rules: rulesFromKey(key) });

export const sample: KindSample<ShortTextSetup> = {
  setup: keyed('secretkeyword'),
  otherKeys: ['yaw', 'a much longer wording; another'].map(keyed),
};

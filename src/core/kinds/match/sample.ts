import type { KindSample } from '../contract';
import { match, type MatchSetup } from './match';

const keyed = (...partners: string[]): MatchSetup => ({
  ...match.fresh(),
  prompts: ['overspeed', 'ice', 'storm'].map((text, i) => ({
    id: `p${i + 1}`,
    text,
    accepts: [partners[i] ?? 'a1'],
    feedback: i === 0 ? 'Secret feedback' : '',
  })),
  partners: ['brake', 'heat', 'park', 'paint'].map((text, i) => ({ id: `a${i + 1}`, text })),
});

export const sample: KindSample<MatchSetup> = {
  setup: keyed('a1', 'a2', 'a3'),
  otherKeys: [keyed('a3', 'a2', 'a1'), keyed('a4', 'a1', 'a2')],
  typed: 'ice = heat\nstorm = park',
};

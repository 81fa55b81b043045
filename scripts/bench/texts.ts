import { pointOf, setOf } from '@/core/rules/text/points';
import { markText, rulesFromKey, type TextRules } from '@/core/rules/text/rules';
import { FORGIVES_ALL } from '@/core/rules/text/words';
import { seeded } from '@/core/base/random';
import { say } from './figures';

const WORDS =
  'the rotor turns blade nacelle gearbox because wind stronger torque generator brake pitch yaw tower bearing vibration stops power limit speed angle lift drag flow wake energy heat oil pressure filter sensor cable grid converter voltage current'.split(
    ' ',
  );

/** 100,000 short texts against twelve points with slips and stems; against the same with neither. */
export function texts(): void {
  const next = seeded(12);
  const pick = (): string => WORDS[Math.floor(next() * WORDS.length)] ?? 'wind';
  const slip = (word: string): string => (next() < 0.15 && word.length > 4 ? word.slice(0, 2) + word.slice(3) : word);
  const answers = Array.from({ length: 100_000 }, () =>
    Array.from({ length: 6 + Math.floor(next() * 14) }, () => slip(pick())).join(' '),
  );
  const points = Array.from({ length: 12 }, (_, n) =>
    pointOf(`p${n}`, [WORDS[n * 2 + 3] ?? 'wind', `${WORDS[n * 2 + 4]} ${WORDS[n + 5]}`, `${WORDS[n + 8]}s`], '1/12'),
  );
  const rules: TextRules = {
    ...rulesFromKey(''),
    rules: [{ when: 'points', sets: [setOf(points)], refuse: [], feedback: '' }],
    otherwise: 'zero',
  };
  const run = (all: TextRules): number => {
    const start = performance.now();
    for (const answer of answers) markText(all, answer);
    return (performance.now() - start) / 1000;
  };
  const plain = run({ ...rules, forgives: { ...FORGIVES_ALL, slips: false, spelling: false, hyphens: false } });
  const full = run({ ...rules, forgives: { ...FORGIVES_ALL, endings: 'en' } });
  say({
    texts: answers.length,
    's, slips and stems': full,
    's, neither': plain,
    ratio: full / plain,
    'memory MB': process.memoryUsage().rss / 1e6,
  });
}

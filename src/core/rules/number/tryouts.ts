import { type Exact, parseExact } from '../../base/exact';
import type { NumberRules } from './rules';
import { readNumber } from './read';

/** Answers worth trying on number rules: the key with point and comma, without its unit, a little off, a thousand off, with the other sign. */
export function numberTryouts({ rules, unit }: NumberRules): string[] {
  const value = rules[0]?.value ?? '';
  const key = readNumber(value)?.value ?? parseExact(value);
  if (!key || key.equals(0)) return [];
  const as = (number: Exact): string => `${Number(number.valueOf().toPrecision(4))} ${unit}`.trim();
  const all = [
    `${value} ${unit}`.trim(),
    `${value.replace('.', ',')} ${unit}`.trim(),
    ...(unit === '' ? [] : [value]),
    as(key.mul('1.005')),
    as(key.mul('1.05')),
    as(key.mul(1000)),
    as(key.div(1000)),
    as(key.neg()),
  ];
  return [...new Set(all)];
}

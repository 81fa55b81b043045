import { expect, it } from 'vitest';
import { exact } from '../base/exact';
import { weakTopics } from './look-again';

const of = (topic: string, earned: string, full: string) => ({ topic, earned: exact(earned), of: exact(full) });

it('looks at all questions of a topic together, and names the weakest first', () => {
  expect(weakTopics([of('rotor', '0', '2'), of('yaw', '1', '4'), of('rotor', '2', '2'), of('yaw', '1', '1')])).toEqual([
    'yaw',
    'rotor',
  ]);
});

it('names no topic that has enough, is worth nothing, or comes after three that are weaker', () => {
  expect(weakTopics([of('rotor', '3', '5'), of('gear', '0', '0'), of('bonus', '-1', '0')])).toEqual([]);
  expect(weakTopics(['a', 'b', 'c', 'd'].map((topic, i) => of(topic, String(4 - i), '10')))).toEqual(['d', 'c', 'b']);
  expect(weakTopics([of('a', '1', '4'), of('b', '1', '4')])).toEqual(['a', 'b']);
  expect(weakTopics([])).toEqual([]);
});

it('takes marks below nothing for what they are', () => {
  expect(weakTopics([of('a', '-1', '2'), of('b', '0', '2')])).toEqual(['a', 'b']);
});

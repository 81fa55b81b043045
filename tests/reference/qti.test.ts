import { readFileSync } from 'node:fs';
import path from 'node:path';
import { XMLParser } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { exact } from '@/core/base/exact';
import { gaps } from '@/core/kinds/gaps/gaps';
import { menu, withWords } from '@/core/kinds/menu/menu';
import { match } from '@/core/kinds/match/match';
import { order } from '@/core/kinds/order/order';
import { select } from '@/core/kinds/select/select';
import { resplit } from '@/core/kinds/select/units';
import { spots } from '@/core/kinds/spots/spots';
import type { Marking } from '@/core/rules/marking';

/** Response processing of QTI 3.0 (1EdTech) on samples of it, where our schemes say the same. Sources: fixtures/README.md. */
const FOLDER = path.resolve(import.meta.dirname, 'fixtures/qti');
interface Scored {
  file: string;
  max_score: number;
  cases: { response: string | string[] | null; score: number }[];
}
const scored = JSON.parse(readFileSync(path.join(FOLDER, 'scoring.json'), 'utf8')) as Scored[];
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  isArray: (name) => name === 'qti-value',
});

const itemOf = (file: string): string => readFileSync(path.join(FOLDER, file), 'utf8');
const correctOf = (file: string): string[] => {
  const { 'qti-assessment-item': item } = parser.parse(itemOf(file)) as {
    'qti-assessment-item': { 'qti-response-declaration': { 'qti-correct-response': { 'qti-value': string[] } } };
  };
  return item['qti-response-declaration']['qti-correct-response']['qti-value'];
};
/** Identifiers of one element in their order. */
const named = (file: string, element: string): string[] =>
  [...itemOf(file).matchAll(new RegExp(`<${element} identifier="([^"]+)"`, 'g'))].map((found) => found[1] ?? '');
const id = (identifier: string): string => identifier.toLowerCase();
const pairs = (all: readonly string[]): [string, string][] =>
  all.map((pair) => [id(pair.split(' ')[0] ?? ''), id(pair.split(' ')[1] ?? '')]);

function orderOf(file: string): (response: string[]) => Marking {
  const items = correctOf(file).map((one) => ({ id: id(one), text: one }));
  const setup = { ...order.fresh(), items, scheme: 'whole' as const };
  return (response) => order.marked.mark(setup, { order: response.map(id) });
}

function matchOf(file: string): (response: string[]) => Marking {
  const right = pairs(correctOf(file));
  const prompts = right.map(([prompt, partner]) => ({ id: prompt, text: prompt, accepts: [partner], feedback: '' }));
  const partners = named(file, 'qti-simple-associable-choice')
    .map(id)
    .filter((one) => !prompts.some((prompt) => prompt.id === one))
    .map((one) => ({ id: one, text: one }));
  const setup = { ...match.fresh(), prompts, partners };
  return (response) => match.marked.mark(setup, { placed: pairs(response).map(([place, item]) => ({ item, place })) });
}

function gapsOf(file: string): (response: string[]) => Marking {
  const right = pairs(correctOf(file));
  const setup = {
    ...gaps.fresh(),
    text: 'one two',
    gaps: right.map(([tile, gap], i) => ({ id: gap, from: 4 * i, to: 4 * i + 3, accepts: [tile], feedback: '' })),
    tiles: named(file, 'qti-gap-text').map((one) => ({ id: id(one), text: one })),
  };
  return (response) => gaps.marked.mark(setup, { placed: pairs(response).map(([item, place]) => ({ item, place })) });
}

function selectOf(file: string): (response: string[]) => Marking {
  const text = named(file, 'qti-hottext').join(' ');
  const right = correctOf(file);
  const fresh = { ...select.fresh(), most: 1, scheme: 'whole' as const, text };
  const units = resplit(fresh, text, 'words', 10).map((unit) => {
    const identifier = text.slice(unit.from, unit.to);
    return { ...unit, id: id(identifier), key: right.includes(identifier) };
  });
  return (response) => select.marked.mark({ ...fresh, units }, { selected: response.map(id) });
}

function spotsOf(file: string): (response: string[]) => Marking {
  const [, x = '', y = '', radius = ''] = /shape="circle" coords="(\d+),(\d+),(\d+)"/.exec(itemOf(file)) ?? [];
  const [, width = '', height = ''] = /width="(\d+)" height="(\d+)"/.exec(itemOf(file)) ?? [];
  const across = (pixels: string): number => (Number(pixels) / Number(width)) * 100;
  const down = (pixels: string): number => (Number(pixels) / Number(height)) * 100;
  const area = { id: 'r1', shape: 'round' as const, x: across(x), y: down(y), right: true, feedback: '' };
  const setup = {
    ...spots.fresh(),
    areas: [{ ...area, width: 2 * across(radius), height: 2 * down(radius) }],
  };
  return (response) => {
    const points = response.map((point) => {
      const [left = '', top = ''] = point.split(' ');
      return { x: across(left), y: down(top) };
    });
    return spots.marked.mark(setup, { points });
  };
}

function menuOf(file: string): (response: string[]) => Marking {
  const [right = ''] = correctOf(file);
  const wrong = named(file, 'qti-inline-choice').filter((one) => one !== right);
  const setup = withWords(menu.fresh(), right, wrong);
  return (response) => menu.marked.mark(setup, response[0] ? menu.typed.response(setup, response[0]) : { chosen: [] });
}

const ITEMS: Record<string, [read: (file: string) => (response: string[]) => Marking, left?: number[]]> = {
  'd04_inline_choice.xml': [menuOf],
  'd05_order.xml': [orderOf],
  // A pair turned round has no place here; it is no pair at all.
  'd06_match_mapped.xml': [matchOf],
  // A wrong tile takes half of one back there, a whole one or nothing here.
  'd08_gap_match.xml': [gapsOf, [1]],
  'd09_hottext.xml': [selectOf],
  // An area that is right only in part, in the place of the right one, has nothing like it here.
  'd11_select_point.xml': [spotsOf, [3]],
};

describe.each(Object.entries(ITEMS))('%s', (file, [read, left = []]) => {
  const sample = scored.find((one) => one.file === file);
  const mark = read(file);
  it.each((sample?.cases ?? []).filter((_, i) => !left.includes(i)))(
    '$response earns $score',
    ({ response, score }) => {
      const marking = mark([response ?? []].flat());
      expect(marking.state === 'marked' && marking.share.mul(exact(String(sample?.max_score))).valueOf()).toBe(score);
    },
  );
});

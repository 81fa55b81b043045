/** What the kinds of slot are called in data, in the order in which they are offered. Screens that only name kinds read no more than this. */
export const KIND_NAMES = [
  'choice',
  'menu',
  'shortText',
  'number',
  'maths',
  'formulaWithPlaces',
  'longAnswer',
  'handIn',
  'draw',
  'record',
  'say',
  'judgeOwn',
  'scale',
  'label',
  'match',
  'gaps',
  'sort',
  'order',
  'select',
  'spots',
] as const;
export type KindName = (typeof KIND_NAMES)[number];

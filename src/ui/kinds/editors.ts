import type { KindName } from '@/core/kinds/names';
import { choiceEditor } from './choice/editor';
import type { EditorSide, Preset } from './contract';
import { drawEditor } from './draw/editor';
import { gapsEditor } from './gaps/editor';
import { handInEditor } from './hand-in/editor';
import { judgeOwnEditor } from './judge-own/editor';
import { labelEditor } from './label/editor';
import { longAnswerEditor } from './long-answer/editor';
import { matchEditor } from './match/editor';
import { mathsEditor } from './maths/editor';
import { menuEditor } from './menu/editor';
import { numberEditor } from './number/editor';
import { formulaWithPlacesEditor } from './formula-with-places/editor';
import { orderEditor } from './order/editor';
import { recordEditor } from './record/editor';
import { sayEditor } from './say/editor';
import { scaleEditor } from './scale/editor';
import { selectEditor } from './select/editor';
import { shortTextEditor } from './short-text/editor';
import { sortEditor } from './sort/editor';
import { spotsEditor } from './spots/editor';

const editors = {
  choice: choiceEditor,
  menu: menuEditor,
  shortText: shortTextEditor,
  number: numberEditor,
  maths: mathsEditor,
  formulaWithPlaces: formulaWithPlacesEditor,
  longAnswer: longAnswerEditor,
  handIn: handInEditor,
  draw: drawEditor,
  record: recordEditor,
  say: sayEditor,
  judgeOwn: judgeOwnEditor,
  scale: scaleEditor,
  label: labelEditor,
  match: matchEditor,
  gaps: gapsEditor,
  sort: sortEditor,
  order: orderEditor,
  select: selectEditor,
  spots: spotsEditor,
} satisfies Record<KindName, unknown>;

/** The author's half of a kind. Setups were validated by the kind's own schema. */
export function editorSide(kind: KindName): EditorSide<unknown> {
  return editors[kind] as unknown as EditorSide<unknown>;
}

/** A ready-made start of some kind. */
export interface KindPreset extends Preset<unknown> {
  kind: KindName;
}

export const PRESETS: KindPreset[] = (Object.keys(editors) as KindName[]).flatMap((kind) =>
  editorSide(kind).presets.map((preset) => ({ kind, ...preset })),
);

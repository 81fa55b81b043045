import { describe, expect, it } from 'vitest';
import { markSlot } from '@/core/bank/mark';
import { questionForm } from '@/core/bank/question';
import { readStored } from '@/core/base/stored-form';
import { KIND_NAMES } from '@/core/kinds/names';
import { kindOf } from '@/core/kinds/registry';
import { storedResponse } from '@/core/kinds/response';
import { PRESETS } from '../kinds/editors';
import { exampleQuestion } from './example-question';

describe('the examples of the gallery', () => {
  it('show every kind', () => {
    expect(KIND_NAMES.filter((kind) => !PRESETS.some((preset) => preset.kind === kind))).toEqual([]);
  });

  it.each(PRESETS)('$name is a whole question whose right answer earns the marks', (preset) => {
    const question = readStored(questionForm, exampleQuestion(preset));
    const slot = Object.values(question.slots)[0];
    if (!slot) throw new Error('There is no slot');
    const kind = kindOf(slot.kind);
    expect(kind.readiness(slot.setup).filter(({ weight }) => weight === 'stops')).toEqual([]);
    if (slot.kind === 'longAnswer' || !kind.marked) return;
    const { marks } = markSlot(slot, storedResponse(kind, kind.marked.key(slot.setup)));
    expect(marks?.toFraction()).toBe('2');
  });
});

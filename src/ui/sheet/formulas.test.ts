import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../tests/drivers/work';
import { placedSlots } from '@/core/bank/question';
import { questionSheet } from '@/core/bank/sheet';
import { questionOfEveryKind, sampleQuestion } from '../../../tests/drivers/samples';
import { drawFormula, drawSheetFormulas, drawTextFormulas } from './formulas';
import { drawResponseFormulas } from './response-formulas';

describe('formulas', () => {
  it('are drawn with MathML beside the picture, chemistry included', () => {
    expect(drawFormula('\\frac12 \\rho A v^3', true)).toContain('<mfrac>');
    expect(drawFormula('\\ce{H2SO4}', false)).toContain('<mi mathvariant="normal">H</mi>');
  });

  it.each([
    ['endless expansion', '\\def\\a{\\a\\a}\\a'],
    ['growing expansion', '\\def\\a#1{#1#1#1#1}\\a{\\a{\\a{\\a{\\a{\\a{\\a{x}}}}}}}'],
    ['deep nesting', '{'.repeat(900) + '}'.repeat(900)],
    ['deep fractions', '\\frac{1}{'.repeat(200) + '1' + '}'.repeat(200)],
    ['a rule of a mile', '\\rule{99999em}{99999em}'],
    ['what is not LaTeX', '\\nonsense{<img src=x onerror=alert(1)>'],
    ['a link', '\\href{javascript:alert(1)}{x}'],
    ['raw HTML', '\\htmlClass{x}{y}\\includegraphics{https://example.org/x.png}'],
  ])('%s neither hangs, nor breaks the page, nor runs', (_, latex) => {
    const work = measureWork();
    const html = drawFormula(latex, false);
    expect(work()).toBeLessThan(2000);
    expect(html).not.toMatch(/<img|<a |href="javascript|style="[^"]*99999em/);
    expect(html.length).toBeGreaterThan(0);
  });

  it('in options are drawn with those of the sheet', () => {
    const question = sampleQuestion('Power');
    const choice = question.slots.a?.setup as { options: { text: string }[] };
    if (choice.options[0]) choice.options[0].text = 'the law $P = R I^2$';
    expect(Object.keys(drawSheetFormulas(questionSheet(question, 1)))).toEqual(['i:P = R I^2']);
    expect(drawTextFormulas('costs 5 $ and 6 dollars')).toEqual({});
    expect(Object.keys(drawTextFormulas('costs 5 $', 'is $x^2$', '$x^2$ again'))).toEqual(['i:x^2']);
  });
});

it('formulas inside a long answer are drawn for those who read it', () => {
  const question = questionOfEveryKind('Long');
  const long = placedSlots(question).find(({ slot }) => slot.kind === 'longAnswer')?.id ?? '';
  const drawn = drawResponseFormulas(questionSheet(question, 1), { [long]: { text: 'It is $P = R I^2$, and $x_1$.' } });
  expect(Object.keys(drawn)).toEqual(['i:P = R I^2', 'i:x_1']);
});

it('of an answer with thousands of formulas, some hundreds are drawn, and the others stand as they were typed', () => {
  const question = questionOfEveryKind('Long');
  const long = placedSlots(question).find(({ slot }) => slot.kind === 'longAnswer')?.id ?? '';
  const text = Array.from({ length: 4000 }, (_, i) => `$x_{${i}}$`).join(' ');
  const work = measureWork();
  const drawn = drawResponseFormulas(questionSheet(question, 1), { [long]: { text } });
  expect(Object.keys(drawn)).toHaveLength(300);
  expect(work()).toBeLessThan(4000);
});

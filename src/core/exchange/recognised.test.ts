import { describe, expect, it } from 'vitest';
import { docx, paragraph, words } from '../../../tests/drivers/documents';
import { placedSlots } from '../bank/question';
import { typedKind } from '../kinds/registry';
import { linesFromDocx } from './docx';
import { linesFromText } from './lines';
import { recognise } from './recognised';
import { splitDocument } from './split';

/** Kinds with their keys, question by question. */
function recognised(text: string): string[] {
  return splitDocument(linesFromText(text)).questions.map((found) => {
    const [placed] = placedSlots(recognise(found).body);
    const { kind = 'choice', setup } = placed?.slot ?? {};
    return `${kind}: ${typedKind(kind).typed.keyText(setup).replace(/\n/g, ' | ')}`;
  });
}

describe('a pasted test', () => {
  it('keeps every option of lists with boxes, ticked or not', () => {
    expect(recognised('1. Which turn?\n[ ] tower\n[x] rotor\n[ ] door\n2. And?\n[] a\n[X] b')).toEqual([
      'choice: tower | * rotor | door',
      'choice: a | * b',
    ]);
  });

  it('knows “true or false”, also from a list of answers at the end', () => {
    expect(
      recognised(
        '1. True or false: the wind has mass.\n2. The hub turns. (T/F)\nAnswer: F\n3. Lift is a force. True / False\nAnswers:\n1 true\n3 true',
      ),
    ).toEqual(['choice: * True | False', 'choice: True | * False', 'choice: * True | False']);
    expect(recognised('1. A rotor has blades.\nAnswer: True')).toEqual(['choice: * True | False']);
  });

  it('leaves to a person what asks for sentences', () => {
    expect(recognised('1. Explain why a rotor brakes. (5 marks)\n2. Describe the hub. [1]\n3. What turns?')).toEqual([
      'longAnswer: ',
      'shortText: ',
      'shortText: ',
    ]);
  });
});

describe('a document of a word processor', () => {
  const noPicture = () => Promise.resolve(null);
  const W = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main';
  const found = async (bytes: Uint8Array): Promise<string[]> =>
    splitDocument(await linesFromDocx(bytes, noPicture)).questions.map((q) =>
      `${q.number} ${q.lines.map((l) => l.text).join(' ')} ${q.options.map((o) => o.text).join('/')}`.trim(),
    );

  it('is numbered by the styles of its paragraphs, those that they are based on included', async () => {
    const styled = (text: string, style: string): string =>
      `<w:p><w:pPr><w:pStyle w:val="${style}"/></w:pPr>${words(text)}</w:p>`;
    const styles = `<w:styles xmlns:w="${W}"><w:style w:styleId="Base"><w:pPr><w:numPr><w:numId w:val="1"/></w:numPr></w:pPr></w:style><w:style w:styleId="Ask"><w:basedOn w:val="Base"/></w:style><w:style w:styleId="Pick"><w:basedOn w:val="Base"/><w:pPr><w:numPr><w:ilvl w:val="1"/></w:numPr></w:pPr></w:style><w:style w:styleId="Loop"><w:basedOn w:val="Loop"/></w:style></w:styles>`;
    const bytes = docx(
      [
        styled('What turns?', 'Ask'),
        styled('tower', 'Pick'),
        styled('rotor', 'Pick'),
        styled('Which brakes?', 'Ask'),
        styled('pitch', 'Pick'),
        styled('door', 'Pick'),
        styled('Stray', 'Loop'),
      ],
      undefined,
      { 'word/styles.xml': styles },
    );
    expect(await found(bytes)).toEqual(['1 What turns? tower/rotor', '2 Which brakes? Stray pitch/door']);
  });

  it('has a table for each question', async () => {
    const cell = (text: string): string => `<w:tc>${paragraph(words(text))}</w:tc>`;
    const row = (...cells: string[]): string => `<w:tr>${cells.map(cell).join('')}</w:tr>`;
    const table = (...rows: string[]): string => `<w:tbl>${rows.join('')}</w:tbl>`;
    const bytes = docx([
      table(row('1', 'What turns?'), row('a', 'tower'), row('b', 'rotor')),
      table(row('2.', 'Which brakes? [2]'), row('a)', 'pitch'), row('b)', 'door')),
    ]);
    expect(await found(bytes)).toEqual(['1 What turns? tower/rotor', '2 Which brakes? pitch/door']);
  });
});

import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { readStored } from '../../base/stored-form';
import { longAnswer } from '../../kinds/long-answer/long-answer';
import { shortText } from '../../kinds/short-text/short-text';

const old = JSON.parse(readFileSync('tests/fixtures/text-rules-version-1.json', 'utf8')) as Record<string, unknown>;

describe('setups of version 1, whose groups of keywords became points', () => {
  const setup = readStored(shortText.setup, old.shortText);
  const share = (text: string): string => {
    const marking = shortText.marked.mark(setup, { text });
    return marking.state === 'waits' ? `waits: ${marking.trace.at(-1)?.code}` : stored(marking.share);
  };
  // What version 1 gave, by its own rules.
  it.each([
    ['It shakes.', '1/2'],
    ['It shakes. Stop and lock it.', '3/4'],
    ['It shakes. Lock it, then stop.', '1/2'],
    ['It shakes. Stop, then after a very long while, lock.', '1/2'],
    ['Vibration; the oil and the cooler.', '3/4'],
    ['Vibration; the oil.', '1/2'],
    ['It shakes by the gearbox.', '0'],
    ['It never shakes.', '0'],
    ['The rotor', '1/2'],
    ['see my photo', 'waits: word-calls'],
  ])('%j earns %s', (text, expected) => expect(share(text)).toBe(expected));

  it('keep their feedback, and read as version 2', () => {
    expect(setup.version).toBe(2);
    expect(shortText.marked.mark(setup, { text: 'shakes' })).toMatchObject({ feedback: 'Well seen.' });
    expect(readStored(shortText.setup, JSON.parse(JSON.stringify(setup)))).toEqual(setup);
  });

  it('of long answers too, whose words counted without a sign of doubt', () => {
    const long = readStored(longAnswer.setup, old.longAnswer);
    expect(longAnswer.marked.mark(long, { text: 'not the filter' }).state).toBe('marked');
  });
});

import { describe, expect, it } from 'vitest';
import { readWebVtt } from './webvtt';

/** Forms and faults of the W3C specification of WebVTT, sections 1 and 4; the examples are ours, the rules from memory. */
describe('captions', () => {
  it.each([
    ['the shortest file', 'WEBVTT', []],
    ['a title behind the first word, and a byte order mark', '\ufeffWEBVTT wind\n\n', []],
    [
      'cues with and without a name, minutes alone, settings and tags',
      'WEBVTT\n\n1\n00:01.000 --> 00:04.500\nHello\n\n00:00:05.000 --> 00:00:06.000 align:start\n<v Roger>a <b>b</b> &lt;c&gt; &amp; d\nsecond line\n',
      [
        { from: 1, to: 4.5, text: 'Hello' },
        { from: 5, to: 6, text: 'a b <c> & d\nsecond line' },
      ],
    ],
    [
      'notes and styles are passed over',
      'WEBVTT\n\nNOTE a note\nof two lines\n\nSTYLE\n::cue { color: red }\n\n100:00:00.000 --> 100:00:01.000\nlate',
      [{ from: 360_000, to: 360_001, text: 'late' }],
    ],
  ])('%s', (_, text, cues) => {
    expect(readWebVtt(text)).toEqual({ ok: true, cues });
    expect(readWebVtt(text.replace(/\n/g, '\r\n'))).toEqual({ ok: true, cues });
  });

  it.each([
    ['no first word', '1\n00:01.000 --> 00:02.000\nx', 1],
    ['the form of another format', 'WEBVTT\n\n1\n00:00:01,000 --> 00:00:02,000\nx', 4],
    ['an end before its start', 'WEBVTT\n\n00:03.000 --> 00:02.000\nx', 3],
    ['minutes beyond 59', 'WEBVTT\n\n00:61:00.000 --> 00:62:00.000\nx', 3],
    ['words without a time', 'WEBVTT\n\njust words', 4],
  ])('tells the line of %s', (_, text, line) => {
    expect(readWebVtt(text)).toEqual({ ok: false, line });
  });
});

'use client';
import { plainText } from '@/core/content/plain';
import { contentFromText } from '@/core/content/written';
import { WrittenText } from '../../sheet/WrittenText';
import type { EntryProps } from './student';

/** Text with headings, lists and weights, as an answer. */
export default function RichEntry({ label, lines, response, onChange }: EntryProps) {
  return (
    <WrittenText
      label={label}
      lines={lines}
      text={response?.rich ?? contentFromText(response?.text ?? '')}
      onChange={(rich) => onChange({ text: plainText(rich), rich })}
    />
  );
}

'use client';
import type { ShortTextResponse, ShortTextSheet } from '@/core/kinds/short-text/short-text';
import { RemarkedText } from '../../remarks/RemarkedText';
import type { ReviewProps, StudentProps } from '../contract';

export function Student({ id, label, sheet, response, onChange }: StudentProps<ShortTextSheet, ShortTextResponse>) {
  const common = {
    id,
    'aria-label': label,
    value: response?.text ?? '',
    maxLength: 5000,
    autoComplete: 'off',
    spellCheck: false,
  } as const;
  return (
    <span className="slot-line">
      {sheet.room === 'lines' ? (
        <textarea {...common} onChange={(e) => onChange({ text: e.target.value })} />
      ) : (
        <input {...common} type="text" className={sheet.room} onChange={(e) => onChange({ text: e.target.value })} />
      )}
    </span>
  );
}

export function Review({ response, evidence, remarks = [], onPin }: ReviewProps<ShortTextSheet, ShortTextResponse>) {
  return (
    <span className="slot-line">
      <span className="slot-box" style={{ whiteSpace: 'pre-wrap' }}>
        {response?.text.trim() ? (
          <RemarkedText text={response.text} evidence={evidence} remarks={remarks} onPin={onPin} />
        ) : (
          <span className="soft">no answer</span>
        )}
      </span>
    </span>
  );
}

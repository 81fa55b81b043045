'use client';
import type { SelectResponse, SelectSheet } from '@/core/kinds/select/select';
import type { ReviewProps, StudentProps } from '../contract';
import { Units } from './Units';

export function Student({ label, sheet, response, onChange }: StudentProps<SelectSheet, SelectResponse>) {
  const selected = response?.selected ?? [];
  const full = sheet.most !== null && selected.length >= sheet.most;
  const toggle = (id: string): void => {
    if (selected.includes(id)) onChange({ selected: selected.filter((one) => one !== id) });
    else if (!full) onChange({ selected: [...selected, id] });
  };
  return (
    <div>
      <Units label={label} pieces={sheet.pieces} on={selected} onPress={toggle} />
      <p className="soft" role="status">
        {selected.length} selected
        {sheet.most !== null && ` of ${sheet.most} at most${full ? '; to select another, take one back' : ''}`}
      </p>
    </div>
  );
}

export function Review({ sheet, response }: ReviewProps<SelectSheet, SelectResponse>) {
  const selected = response?.selected ?? [];
  return (
    <p className="select-text review">
      {sheet.pieces.map(({ id, text }, i) =>
        id !== null && selected.includes(id) ? (
          <mark key={id} className="unit on">
            {text}
          </mark>
        ) : (
          <span key={i}>{text}</span>
        ),
      )}
    </p>
  );
}

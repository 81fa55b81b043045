'use client';
import type { NumberResponse, NumberSheet } from '@/core/kinds/number/number';
import type { ReviewProps, StudentProps } from '../contract';

export function Student({ id, label, sheet, response, onChange }: StudentProps<NumberSheet, NumberResponse>) {
  const { number, unit } = response ?? { number: '', unit: '' };
  return (
    <span className="slot-line">
      <input
        id={id}
        type="text"
        className="number"
        aria-label={sheet.withUnit ? `${label}, with its unit` : label}
        value={number}
        maxLength={200}
        autoComplete="off"
        spellCheck={false}
        onChange={(e) => onChange({ number: e.target.value, unit })}
      />
      {sheet.unitEntry === 'listed' && (
        <select aria-label={`${label}, unit`} value={unit} onChange={(e) => onChange({ number, unit: e.target.value })}>
          <option value="">unit</option>
          {sheet.units.map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      )}
      {sheet.withUnit && <span className="unit soft">with its unit</span>}
      {sheet.unitEntry === 'printed' && <span className="unit">{sheet.units[0]}</span>}
    </span>
  );
}

export function Review({ sheet, response }: ReviewProps<NumberSheet, NumberResponse>) {
  const unit = sheet.unitEntry === 'printed' ? (sheet.units[0] ?? '') : (response?.unit ?? '');
  return (
    <span className="slot-line">
      <span className="slot-box">
        {response?.number.trim() ? `${response.number} ${unit}`.trim() : <span className="soft">no answer</span>}
      </span>
    </span>
  );
}

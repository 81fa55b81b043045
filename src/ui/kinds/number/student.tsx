import type { NumberResponse, NumberSheet } from '@/core/kinds/number/number';
import type { ReviewProps, StudentProps, StudentSide } from '../contract';

function Student({ id, label, sheet, response, onChange }: StudentProps<NumberSheet, NumberResponse>) {
  const { number, unit } = response ?? { number: '', unit: '' };
  return (
    <span className="slot-line">
      <input
        id={id}
        type="text"
        className="number"
        aria-label={sheet.unitEntry === 'typed' ? `${label}, with its unit` : label}
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
      {sheet.unitEntry === 'printed' && <span className="unit">{sheet.units[0]}</span>}
    </span>
  );
}

function Review({ sheet, response }: ReviewProps<NumberSheet, NumberResponse>) {
  const unit = sheet.unitEntry === 'printed' ? (sheet.units[0] ?? '') : (response?.unit ?? '');
  return (
    <span className="slot-line">
      <span className="slot-box">
        {response?.number.trim() ? `${response.number} ${unit}`.trim() : <span className="soft">no answer</span>}
      </span>
    </span>
  );
}

export const numberStudent: StudentSide<NumberSheet, NumberResponse> = {
  Student,
  Review,
  answered: (response) => (response?.number.trim() ?? '') !== '',
};

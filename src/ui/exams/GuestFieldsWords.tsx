import Button from 'react-bootstrap/Button';
import type { GuestField } from '@/core/people/guest-fields';
import { CheckLine } from '../parts/CheckLine';

const MOST = 6;
const FRESH: GuestField = { label: '', is: 'text', required: false };
const EMAIL: GuestField = { label: 'E-mail', is: 'email', required: false };

interface Props {
  fields: GuestField[];
  onChange: (fields: GuestField[]) => void;
}

/** What guests are asked for besides their name, line by line. */
export function GuestFieldsWords({ fields, onChange }: Props) {
  const set = (at: number, part: Partial<GuestField>): void =>
    onChange(fields.map((field, i) => (i === at ? { ...field, ...part } : field)));
  return (
    <div className="mb-2">
      {fields.length > 0 && <p className="mb-1">They say their name, and</p>}
      {fields.map((field, i) => (
        // Fields have no names of their own; their order is what they are.
        <div key={i} className="fact-line mb-1">
          <input
            className="form-control guest-field"
            aria-label={`What guests are asked for, ${i + 1}`}
            placeholder="School, class …"
            maxLength={60}
            required
            value={field.label}
            onChange={(e) => set(i, { label: e.target.value })}
          />
          <select
            className="form-select"
            aria-label={`What ${field.label || 'it'} is`}
            value={field.is}
            onChange={(e) => set(i, { is: e.target.value as GuestField['is'] })}
          >
            <option value="text">a word</option>
            <option value="email">an e-mail address</option>
          </select>
          <CheckLine checked={field.required} onChange={(required) => set(i, { required })}>
            needed
          </CheckLine>
          <Button
            variant="quiet"
            aria-label={`Do not ask for ${field.label || 'it'}`}
            onClick={() => onChange(fields.filter((_, at) => at !== i))}
          >
            ×
          </Button>
        </div>
      ))}
      {fields.length < MOST && (
        <span className="d-flex gap-2">
          {!fields.some(({ is }) => is === 'email') && (
            <Button variant="quiet" className="px-0" onClick={() => onChange([...fields, EMAIL])}>
              Ask for an e-mail address
            </Button>
          )}
          <Button variant="quiet" onClick={() => onChange([...fields, FRESH])}>
            Ask for something else
          </Button>
        </span>
      )}
    </div>
  );
}

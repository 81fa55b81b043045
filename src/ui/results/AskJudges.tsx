'use client';
import { useId, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Result } from '@/core/base/result';
import { FIGURES_SHOWN, PANEL_METHODS, type PanelMethod } from '@/core/results/panel';
import type { PanelView } from '@/server/results/panels';
import { CheckLine } from '../parts/CheckLine';
import { Dialog } from '../parts/Dialog';
import { Trouble } from '../parts/Trouble';
import { FIGURES_WORDS, METHODS } from '../words/pass-marks';
import { refusalText } from '../words/refusals';

interface Asked {
  method: PanelMethod;
  figures: (typeof FIGURES_SHOWN)[number];
  judges: string[];
}

interface Props {
  able: readonly { id: string; name: string }[];
  /** The panel whose judges are said anew; null for a new one. */
  standing: PanelView | null;
  /** Methods that have a panel already. */
  taken: readonly PanelMethod[];
  ask: (asked: Asked) => Promise<Result<unknown>>;
  onClose: () => void;
}

/** Says who judges, by which method, and what they see. */
export function AskJudges({ able, standing, taken, ask, onClose }: Props) {
  const free = PANEL_METHODS.filter((one) => !taken.includes(one));
  const [asked, setAsked] = useState<Asked>({
    method: standing?.method ?? free[0] ?? 'angoff',
    figures: standing?.figures ?? 'later',
    judges: standing?.judges.map(({ id }) => id) ?? [],
  });
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const field = useId();
  const rounds = asked.method === 'angoff' || asked.method === 'ebel';
  const send = async (): Promise<void> => {
    if (asked.judges.length === 0) return setTrouble('Choose at least one judge.');
    setBusy(true);
    const result = await ask(asked);
    setBusy(false);
    if (result.ok) onClose();
    else setTrouble(refusalText(result.refusal));
  };
  return (
    <Dialog
      title={standing ? 'Who judges' : 'Ask judges'}
      onClose={onClose}
      acts={
        <Button disabled={busy || (!standing && free.length === 0)} onClick={send}>
          {standing ? 'Keep' : 'Ask them'}
        </Button>
      }
    >
      {!standing && (
        <fieldset className="mb-3">
          <legend className="fs-6 fw-bold mb-1">How</legend>
          {free.map((method) => (
            <label key={method} className="d-flex gap-2 mb-1">
              <input
                type="radio"
                className="form-check-input"
                name={`${field}-method`}
                checked={asked.method === method}
                onChange={() => setAsked({ ...asked, method })}
              />
              <span>
                {METHODS[method].name}
                <span className="soft d-block">{METHODS[method].asks}</span>
              </span>
            </label>
          ))}
          {free.length === 0 && <p className="mb-0">Judges were asked by every method already.</p>}
        </fieldset>
      )}
      <fieldset className="mb-3">
        <legend className="fs-6 fw-bold mb-1">Who</legend>
        {able.map(({ id, name }) => (
          <CheckLine
            key={id}
            checked={asked.judges.includes(id)}
            onChange={(on) =>
              setAsked({ ...asked, judges: on ? [...asked.judges, id] : asked.judges.filter((one) => one !== id) })
            }
          >
            {name}
          </CheckLine>
        ))}
      </fieldset>
      {rounds && (
        <select
          className="form-select"
          aria-label="What judges see"
          value={asked.figures}
          onChange={(e) => {
            const figures = FIGURES_SHOWN.find((one) => one === e.target.value);
            if (figures) setAsked({ ...asked, figures });
          }}
        >
          {FIGURES_SHOWN.map((one) => (
            <option key={one} value={one}>
              {FIGURES_WORDS[one]}
            </option>
          ))}
        </select>
      )}
      <Trouble>{trouble}</Trouble>
    </Dialog>
  );
}

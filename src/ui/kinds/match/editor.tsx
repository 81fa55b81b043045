'use client';
import { Plus, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useRef } from 'react';
import { flushSync } from 'react-dom';
import Button from 'react-bootstrap/Button';
import { type MatchSetup, MOST_PAIRS } from '@/core/kinds/match/match';
import { CheckLine } from '../../parts/CheckLine';
import { LineRows } from '../../parts/LineRows';
import { lineWords, type Row, withLines } from '../../parts/rows';
import { freshPart } from '@/core/rules/placing/placed';
import { SchemeLine, schemeSentence } from '../../placing/scheme';
import type { EditorProps, EditorSide } from '../contract';
import { leftOver, rightOf, withoutPair, withPair, withPastedPairs, withRight } from './pairs';
import './match.scss';

/** What belongs together, a pair a line; below, partners that belong to nothing. */
function Place({ setup, onChange, letter, onLeave }: EditorProps<MatchSetup>) {
  const group = useRef<HTMLDivElement>(null);
  const { prompts, partners } = setup;
  const extra = leftOver(setup);
  const goOn = (next: MatchSetup, field: number): void => {
    flushSync(() => onChange(next));
    group.current?.querySelectorAll<HTMLInputElement>('input')[field]?.focus();
  };
  const press = (event: KeyboardEvent<HTMLInputElement>, at: number, side: 0 | 1): void => {
    const prompt = prompts[at];
    if (event.key !== 'Enter' || !prompt) return;
    event.preventDefault();
    const empty = prompt.text === '' && rightOf(setup, prompt) === '';
    if (side === 0 && !empty) goOn(setup, 2 * at + 1);
    else if (empty && prompts.length > 1) {
      flushSync(() => onChange(withoutPair(setup, prompt.id)));
      onLeave?.();
    } else if (at < prompts.length - 1) goOn(setup, 2 * at + 2);
    else goOn(withPair(setup, at + 1), 2 * at + 2);
  };
  const paste = (event: ClipboardEvent, at: number): void => {
    const text = event.clipboardData.getData('text/plain');
    if (!/\S\s*[\n\t]\s*\S/.test(text)) return;
    event.preventDefault();
    onChange(withPastedPairs(setup, at, text));
  };
  const fresh = (rows: readonly Row[], text: string): Row => ({ id: freshPart([...partners, ...rows], 'a'), text });
  const shown = extra.length > 0 ? extra : [fresh([], '')];
  const keepExtra = (rows: Row[]): void => {
    const written = rows.length === 1 && rows[0]?.text === '' ? [] : rows;
    onChange({ ...setup, partners: [...partners.filter((one) => !extra.includes(one)), ...written] });
  };
  return (
    <div className="d-grid gap-2">
      <div className="pair-rows" role="group" aria-label={`Slot ${letter}: what belongs together`} ref={group}>
        {prompts.map((prompt, at) => (
          <div key={prompt.id} className="pair">
            <input
              aria-label={`Pair ${at + 1}, left`}
              placeholder={at === 0 ? 'Stands at the left' : 'Left'}
              value={prompt.text}
              maxLength={500}
              onChange={(e) =>
                onChange({
                  ...setup,
                  prompts: prompts.map((one) => (one === prompt ? { ...one, text: e.target.value } : one)),
                })
              }
              onKeyDown={(event) => press(event, at, 0)}
              onPaste={(event) => paste(event, at)}
            />
            <span aria-hidden="true">–</span>
            <input
              aria-label={`Pair ${at + 1}, right`}
              placeholder={at === 0 ? 'its partner' : 'partner'}
              value={rightOf(setup, prompt)}
              maxLength={500}
              onChange={(e) => onChange(withRight(setup, prompt.id, e.target.value))}
              onKeyDown={(event) => press(event, at, 1)}
            />
            <Button
              variant="quiet"
              aria-label={`Take pair ${at + 1} out`}
              disabled={prompts.length <= 1}
              onClick={() => onChange(withoutPair(setup, prompt.id))}
            >
              <X size={15} />
            </Button>
          </div>
        ))}
        <div>
          <Button
            variant="quiet"
            disabled={prompts.length >= MOST_PAIRS}
            onClick={() => goOn(withPair(setup, prompts.length), 2 * prompts.length)}
          >
            <Plus size={15} /> pair
          </Button>
        </div>
      </div>
      <LineRows
        rows={shown}
        what="distractor"
        label={`Slot ${letter}: partners that belong to nothing`}
        most={MOST_PAIRS - partners.length + shown.length}
        least={1}
        longest={500}
        placeholder={() => 'A partner that belongs to nothing, if wanted'}
        fresh={fresh}
        pasted={(at, text) =>
          withLines(shown, at, {
            text,
            most: MOST_PAIRS - partners.length + shown.length,
            write: (line, empty, all) => ({ ...(empty ?? fresh(all, '')), text: lineWords(line).slice(0, 500) }),
          })
        }
        onChange={keepExtra}
        onLeave={onLeave}
      />
    </div>
  );
}

function Note({ setup, onChange, marks }: EditorProps<MatchSetup>) {
  const { prompts, partners } = setup;
  const change = (id: string, part: Partial<(typeof prompts)[number]>): void =>
    onChange({ ...setup, prompts: prompts.map((one) => (one.id === id ? { ...one, ...part } : one)) });
  const of = prompts.filter(({ accepts }) => accepts.length > 0).length;
  return (
    <div className="rule-edit">
      <SchemeLine scheme={setup.scheme} of={of} marks={marks} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <CheckLine checked={setup.again} onChange={(again) => onChange({ ...setup, again })}>
        a partner may be used again
      </CheckLine>
      {prompts.map((prompt) => (
        <fieldset key={prompt.id} className="mb-2">
          <legend className="fs-6 fw-bold mb-0">{prompt.text || 'pair'}</legend>
          <details>
            <summary className="soft">
              also right: {prompt.accepts.length > 1 ? prompt.accepts.length - 1 : 'none'}
            </summary>
            {partners
              .filter(({ id }) => id !== prompt.accepts[0])
              .map(({ id, text }) => (
                <CheckLine
                  key={id}
                  checked={prompt.accepts.includes(id)}
                  onChange={(on) =>
                    change(prompt.id, {
                      accepts: on ? [...prompt.accepts, id] : prompt.accepts.filter((one) => one !== id),
                    })
                  }
                >
                  {text}
                </CheckLine>
              ))}
          </details>
          <input
            className="form-control form-control-sm"
            aria-label={`Feedback for ${prompt.text}`}
            placeholder="when it was matched otherwise"
            value={prompt.feedback}
            maxLength={1000}
            onChange={(e) => change(prompt.id, { feedback: e.target.value })}
          />
        </fieldset>
      ))}
    </div>
  );
}

function sentence(setup: MatchSetup): string {
  const of = setup.prompts.filter(({ accepts }) => accepts.length > 0).length;
  if (of === 0) return 'Nothing is paired yet.';
  const over = leftOver(setup).length;
  const rest = over === 0 ? '' : ` ${over} ${over === 1 ? 'partner is' : 'partners are'} left over.`;
  return `${schemeSentence({ scheme: setup.scheme, of, what: 'right pair' })}${rest}`;
}

export const matchEditor: EditorSide<MatchSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Type pairs such as ice = heat; storm = park',
  keyHint: 'One pair a line, such as ice = heat',
  presets: [{ name: 'Match pairs', about: 'What belongs to what', setup: (setup) => setup }],
};

'use client';
import { Plus, X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import Button from 'react-bootstrap/Button';
import { match, type MatchSetup, MOST_PAIRS } from '@/core/kinds/match/match';
import { CheckLine } from '../../parts/CheckLine';
import { Distractors } from '../../parts/Distractors';
import { RowMedia } from '../../parts/RowMedia';
import { leftOut, type Row } from '../../parts/rows';
import { Trouble } from '../../parts/Trouble';
import { plural } from '../../words/marks';
import { leftOver } from '@/core/rules/placing/placed';
import { worthOf } from '@/core/rules/placing/rules';
import { schemeSentence } from '../../placing/scheme-sentence';
import { PartNote } from '../../placing/PartNote';
import { PlaceRulesNote } from '../../placing/PlaceRulesNote';
import { SchemeSelect } from '../../parts/SchemeSelect';
import type { EditorProps, EditorSide } from '../contract';
import { partnerOf, rightOf, withoutPair, withPair, withPartnerMedia, withPastedPairs, withRight } from './pairs';
import './match.scss';

/** What belongs together, a pair a line; below, partners that belong to nothing. */
function Place({ setup, onChange, letter, onLeave }: EditorProps<MatchSetup>) {
  const group = useRef<HTMLDivElement>(null);
  /** How many pairs of the last pasted list found no room. */
  const [left, setLeftOut] = useState(0);
  const { prompts, partners } = setup;
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
    const next = withPastedPairs(setup, at, text);
    onChange(next);
    setLeftOut(leftOut(prompts, next.prompts, text));
  };
  const change = (id: string, part: Partial<Row>): void =>
    onChange({ ...setup, prompts: prompts.map((one) => (one.id === id ? { ...one, ...part } : one)) });
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
              onChange={(e) => change(prompt.id, { text: e.target.value })}
              onKeyDown={(event) => press(event, at, 0)}
              onPaste={(event) => paste(event, at)}
            />
            <RowMedia
              name={`Pair ${at + 1}, left`}
              text={prompt.text}
              longest={500}
              media={prompt.media}
              onChange={(media, text) => change(prompt.id, { media, text })}
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
            <RowMedia
              name={`Pair ${at + 1}, right`}
              text={rightOf(setup, prompt)}
              longest={500}
              media={partnerOf(setup, prompt)?.media}
              onChange={(media, text) => onChange(withPartnerMedia(setup, prompt.id, media, text))}
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
        <Trouble>
          {left > 0 && `${plural(left, 'pair was', 'pairs were')} left out: there is room for ${MOST_PAIRS}.`}
        </Trouble>
      </div>
      <Distractors
        things={partners}
        places={prompts}
        label={`Slot ${letter}: partners that belong to nothing`}
        placeholder="A partner that belongs to nothing, if wanted"
        most={MOST_PAIRS}
        longest={500}
        letter="a"
        onChange={(next) => onChange({ ...setup, partners: next })}
        onLeave={onLeave}
      />
    </div>
  );
}

function Note({ setup, onChange }: EditorProps<MatchSetup>) {
  const { prompts, partners } = setup;
  const change = (id: string, part: Partial<(typeof prompts)[number]>): void =>
    onChange({ ...setup, prompts: prompts.map((one) => (one.id === id ? { ...one, ...part } : one)) });
  return (
    <div className="rule-edit">
      <SchemeSelect scheme={setup.scheme} onChange={(scheme) => onChange({ ...setup, scheme })} />
      <CheckLine checked={setup.again} onChange={(again) => onChange({ ...setup, again })}>
        a partner may be used again
      </CheckLine>
      {prompts.map((prompt) => (
        <PartNote key={prompt.id} summary={`${prompt.text || 'pair'} – ${rightOf(setup, prompt) || 'no partner'}`}>
          {() => (
            <PlaceRulesNote
              name={prompt.text || 'this pair'}
              rules={prompt}
              things={partners}
              onChange={(part) => change(prompt.id, part)}
            />
          )}
        </PartNote>
      ))}
    </div>
  );
}

function sentence(setup: MatchSetup): string {
  const worth = worthOf(setup.prompts);
  if (worth.length === 0) return 'Nothing is paired yet.';
  const over = leftOver(setup.partners, setup.prompts).length;
  const rest = over === 0 ? '' : ` ${over} ${over === 1 ? 'partner is' : 'partners are'} left over.`;
  return `${schemeSentence({ scheme: setup.scheme, worth, what: 'right pair' })}${rest}`;
}

export const matchEditor: EditorSide<MatchSetup> = {
  Place,
  Note,
  sentence,
  trialHint: 'Type pairs such as ice = heat; storm = park',
  keyHint: 'One pair a line, such as ice = heat',
  presets: [
    {
      name: 'Match pairs',
      about: 'What belongs to what',
      setup: (setup) => setup,
      example: {
        asks: 'Which unit belongs to which quantity?',
        setup: (setup) => match.typed.withKey(setup, 'length = metre\ntime = second\nforce = newton\n = volt'),
      },
    },
  ],
};

'use client';
import { type ReactNode, useMemo } from 'react';
import Button from 'react-bootstrap/Button';
import type { PlacedSlot, QuestionBody, Slot } from '@/core/bank/question';
import type { Finding } from '@/core/base/finding';
import type { Content } from '@/core/content/document';
import { contentFromLines, linesFromContent } from '@/core/content/lines';
import { kindOf } from '@/core/kinds/registry';
import { editorSide } from '../kinds/editors';
import { TextWithFormulas } from '../sheet/Formula';
import { drawTextFormulas } from '../sheet/formulas';
import { RubricNote } from '../rubrics/RubricNote';
import { MarksInput } from '../parts/MarksInput';
import { findingLook, findingText } from '../words/findings';
import { sideOf } from '../kinds/registry';
import { followsAnswers } from '@/core/bank/variant';
import { ShareInput } from '../parts/ShareInput';
import { TrialTexts } from '../rules/WordHelp';
import { trialTexts } from './trial-answers';
import { ValuesNote } from './ValuesNote';
import { EachPart } from './EachPart';
import { SettledAnswers } from './SettledAnswers';
import { HintsNote } from './HintsNote';
import { TotalNote } from './TotalNote';

interface Props {
  placed: PlacedSlot[];
  /** The bank of the question. */
  bank: string;
  body: QuestionBody;
  findings: Finding[];
  selected: string | null;
  onSelect: (slot: string) => void;
  changeSlot: (id: string, slot: Slot, tag: string) => void;
  changeBody: (part: (body: QuestionBody) => QuestionBody, tag: string) => void;
  onRemove: (slot: string) => void;
  onCopy: (slot: string) => void;
  /** Puts text where the cursor is on the sheet. */
  onPut: (text: string) => void;
  /** Further notes, after what belongs to the question itself. */
  children?: ReactNode;
}

/** The margin of the bench: each slot's rule as one sentence; the selected one opens for more. */
export function BenchMargin({
  placed,
  bank,
  body,
  findings,
  selected,
  onSelect,
  changeSlot,
  changeBody,
  onRemove,
  onCopy,
  onPut,
  children,
}: Props) {
  const chosen = placed.find(({ id }) => id === selected);
  const texts = useMemo(() => (chosen ? trialTexts(body.trials, chosen) : []), [body.trials, chosen]);
  return (
    <aside className="margin" aria-label="Answer rules">
      <h2>Answer rules</h2>
      {placed.length === 0 && (
        <div className="note">
          <p>
            Write the question, then add an answer slot where the cursor is. Typing the key is enough; the rule appears
            here.
          </p>
        </div>
      )}
      {placed.map(({ id, letter, slot }) => {
        const { Note, sentence } = editorSide(slot.kind);
        const on = selected === id;
        const own = findings.filter((f) => f.at[0] === 'slot' && f.at[1] === id);
        return (
          <section key={id} className={`note ${on ? 'on' : ''}`} data-note={id} aria-label={`Slot ${letter}`}>
            <h3>
              <span className="letter">{letter}</span>
              {on ? (
                sideOf(slot.kind).words.name
              ) : (
                <button
                  type="button"
                  className="btn-link-plain text-decoration-none fw-bold"
                  onClick={() => onSelect(id)}
                >
                  {sideOf(slot.kind).words.name}
                </button>
              )}
              <MarksInput
                marks={slot.marks}
                label={`Marks of slot ${letter}`}
                fixed={body.total !== null || slot.each !== undefined}
                onChange={(marks) => changeSlot(id, { ...slot, marks }, `marks ${id}`)}
              />
            </h3>
            <p className="one-a-line">
              <TextWithFormulas text={sentence(slot.setup)} drawn={drawTextFormulas(sentence(slot.setup))} />
            </p>
            {on && body.total === null && (
              <EachPart slot={slot} letter={letter} onChange={(next) => changeSlot(id, next, `each ${id}`)} />
            )}
            <SettledAnswers slot={slot} onChange={(next) => changeSlot(id, next, '')} />
            {on && (
              <>
                <TrialTexts value={texts}>
                  <Note
                    setup={slot.setup}
                    marks={slot.marks}
                    letter={letter}
                    onChange={(setup) => changeSlot(id, { ...slot, setup }, `note ${id}`)}
                  />
                </TrialTexts>
                {followsAnswers(body, id) && (
                  <label className="d-flex gap-2 align-items-center mt-2">
                    right with the student’s own earlier answer:
                    <ShareInput
                      share={slot.follow ?? '1'}
                      marks={slot.marks}
                      label={`Marks of slot ${letter} for what is right with the student’s own earlier answer`}
                      onChange={(follow) => changeSlot(id, { ...slot, follow }, `follow ${id}`)}
                    />
                  </label>
                )}
                <div className="text-end">
                  {!kindOf(slot.kind).selfJudged && (
                    <RubricNote
                      rubric={slot.rubric}
                      bank={bank}
                      onChange={(rubric) => {
                        const { rubric: _, ...rest } = slot;
                        changeSlot(id, rubric ? { ...rest, rubric } : rest, `rubric ${id}`);
                      }}
                    />
                  )}
                  <Button variant="quiet" onClick={() => onCopy(id)}>
                    Copy this slot
                  </Button>
                  <Button variant="quiet" onClick={() => onRemove(id)}>
                    Take this slot out
                  </Button>
                </div>
              </>
            )}
            {/* They come and go by themselves a moment after what was typed: below everything that is clicked. */}
            {own.map((f, i) => (
              <p key={i} className={findingLook(f)}>
                {findingText(f)}
              </p>
            ))}
          </section>
        );
      })}
      {placed.length > 1 && <TotalNote body={body} changeBody={changeBody} />}
      <ValuesNote body={body} placed={placed} findings={findings} changeBody={changeBody} onPut={onPut} />
      <HintsNote hints={body.hints} onChange={(hints, tag) => changeBody((b) => ({ ...b, hints }), tag)} />
      <section className="note">
        <h3>
          Explanation <span className="end">shown afterwards</span>
        </h3>
        <Lines
          label="Explanation"
          content={body.explanation}
          onChange={(explanation) => changeBody((b) => ({ ...b, explanation }), 'explanation')}
        />
      </section>
      <section className="note">
        <h3>
          Notes to colleagues <span className="end">never shown</span>
        </h3>
        <textarea
          className="form-control form-control-sm"
          rows={2}
          aria-label="Notes to colleagues"
          maxLength={5000}
          value={body.notes}
          onChange={(e) => changeBody((b) => ({ ...b, notes: e.target.value }), 'notes')}
        />
      </section>
      {children}
    </aside>
  );
}

/** A short document as lines of text in which $…$ is a formula. */
function Lines({
  content,
  label,
  onChange,
}: {
  content: Content;
  label: string;
  onChange: (content: Content) => void;
}) {
  return (
    <textarea
      className="form-control form-control-sm"
      rows={3}
      aria-label={label}
      placeholder="Why, and how one gets there. $…$ is a formula."
      maxLength={5000}
      value={linesFromContent(content)}
      onChange={(e) => onChange(contentFromLines(e.target.value))}
    />
  );
}

'use client';
import { useState } from 'react';
import { DEMANDS, type QuestionFacts, tidyTags } from '@/core/bank/facts';
import type { OpenQuestion } from '@/server/bank/open-question';
import { ActMenu } from '../parts/ActMenu';
import { TopicOptions } from '../bank/PlaceOptions';

interface Props {
  question: OpenQuestion;
  title: string;
  facts: QuestionFacts;
  onTitle: (title: string) => void;
  onFacts: (facts: QuestionFacts) => void;
}

/** What the author says about the question: title, topic, difficulty, demand, tags, learning goals. */
export function AboutIt({ question, title, facts, onTitle, onFacts }: Props) {
  const [tag, setTag] = useState('');
  const set = (part: Partial<QuestionFacts>): void => onFacts({ ...facts, ...part });
  const addTags = (): void => {
    if (tag.trim() === '') return;
    set({ tags: tidyTags([...facts.tags, ...tag.split(',')]).slice(0, 30) });
    setTag('');
  };
  const unaimed = question.goals.filter((g) => !facts.goals.includes(g.id));
  return (
    <div className="d-grid gap-2 mb-3">
      <input
        className="form-control form-control-sm"
        aria-label="Working title"
        placeholder="Title from the first words"
        value={title}
        maxLength={200}
        onChange={(e) => onTitle(e.target.value)}
      />
      <select
        className="form-select form-select-sm"
        aria-label="Topic"
        value={facts.topic ?? ''}
        onChange={(e) => set({ topic: e.target.value || null })}
      >
        <option value="">no topic</option>
        <TopicOptions topics={question.topics} />
      </select>
      <div className="d-flex gap-2">
        <select
          className="form-select form-select-sm w-auto"
          aria-label="Difficulty"
          title="Difficulty: 1 easy, 2 fair, 3 hard"
          value={facts.difficulty}
          onChange={(e) => set({ difficulty: Number(e.target.value) })}
        >
          {['easy', 'fair', 'hard'].map((word, i) => (
            <option key={word} value={i + 1}>
              {i + 1} {word}
            </option>
          ))}
        </select>
        <select
          className="form-select form-select-sm"
          aria-label="Demand"
          value={facts.demand}
          onChange={(e) => set({ demand: e.target.value as QuestionFacts['demand'] })}
        >
          {DEMANDS.map((d) => (
            <option key={d}>{d}</option>
          ))}
        </select>
      </div>
      {facts.tags.length > 0 && (
        <div className="tags">
          {facts.tags.map((t) => (
            <button
              key={t}
              type="button"
              aria-label={`Take off the tag ${t}`}
              onClick={() => set({ tags: facts.tags.filter((other) => other !== t) })}
            >
              {t} ×
            </button>
          ))}
        </div>
      )}
      <input
        className="form-control form-control-sm"
        aria-label="Add a tag"
        placeholder="Add a tag"
        maxLength={200}
        list="bench-tags"
        value={tag}
        onChange={(e) => setTag(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && addTags()}
        onBlur={addTags}
      />
      <datalist id="bench-tags">
        {question.tagsInUse.map((t) => (
          <option key={t} value={t} />
        ))}
      </datalist>
      {facts.goals.map((id) => {
        const goal = question.goals.find((g) => g.id === id);
        return (
          goal && (
            <div className="tags" key={id}>
              <button
                type="button"
                title={goal.words}
                aria-label={`Take off the goal ${goal.code}`}
                onClick={() => set({ goals: facts.goals.filter((other) => other !== id) })}
              >
                {goal.code} ×
              </button>
              <span className="soft">{goal.words}</span>
            </div>
          )
        );
      })}
      {unaimed.length > 0 && (
        <ActMenu
          words="Add a learning goal…"
          choices={unaimed.map(({ id, code, words }) => ({ value: id, words: `${code} ${words.slice(0, 60)}` }))}
          onChoose={(value) => set({ goals: [...facts.goals, value] })}
        />
      )}
    </div>
  );
}

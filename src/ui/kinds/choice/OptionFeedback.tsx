import type { ChoiceSetup } from '@/core/kinds/choice/choice';
import type { EditorProps } from '../contract';

/** What is said of each option to those who chose it. */
export function OptionFeedback({ setup, onChange }: Pick<EditorProps<ChoiceSetup>, 'setup' | 'onChange'>) {
  return (
    <>
      <div className="soft">What a student who chose it reads:</div>
      {setup.options.map((o, i) => (
        <input
          key={o.id}
          className="form-control"
          aria-label={`Feedback for option ${i + 1}`}
          placeholder={o.text || `option ${i + 1}`}
          value={o.feedback}
          maxLength={1000}
          onChange={(e) =>
            onChange({
              ...setup,
              options: setup.options.map((x) => (x.id === o.id ? { ...x, feedback: e.target.value } : x)),
            })
          }
        />
      ))}
    </>
  );
}

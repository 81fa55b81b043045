'use client';
import { maths, type MathsSetup } from '@/core/kinds/maths/maths';
import { rulesFromKey } from '@/core/rules/maths/rules';
import { MathField } from '../../maths/MathField';
import { MathsRulesEditor, mathsRulesSentence } from '../../rules/MathsRulesEditor';
import type { EditorProps, EditorSide } from '../contract';

function Place({ setup, onChange, letter }: EditorProps<MathsSetup>) {
  const [first, ...rest] = setup.rules.rules;
  const type = (key: string): void => {
    const fresh = rulesFromKey(key);
    const rule = { ...(first ?? { form: null, share: '1', feedback: '' }), key };
    // How answers are compared follows the shape of the key, until something finer was said.
    const mode =
      rest.length === 0 && (first?.form ?? null) === null && setup.rules.mode !== 'antiderivative'
        ? fresh.mode
        : setup.rules.mode;
    onChange({ ...setup, rules: { ...setup.rules, mode, rules: [rule, ...rest] } });
  };
  return (
    <span className="maths-place">
      <MathField label={`Slot ${letter}: the right formula`} latex={first?.key ?? ''} palette={[]} onChange={type} />
    </span>
  );
}

function Note({ setup, onChange, marks }: EditorProps<MathsSetup>) {
  return <MathsRulesEditor rules={setup.rules} marks={marks} onChange={(rules) => onChange({ ...setup, rules })} />;
}

/** Of physical quantities: all positive, and solved for any of them. */
const ofQuantities = (setup: MathsSetup): MathsSetup => ({
  ...setup,
  rules: { ...setup.rules, allPositive: true, rearranged: true },
});

export const mathsEditor: EditorSide<MathsSetup> = {
  Place,
  Note,
  trialHint: 'Type a formula as a student would',
  presets: [
    {
      name: 'Mathematics',
      about: 'A formula or equation, in any equal form',
      setup: (fresh) => fresh,
      example: { asks: 'Expand $(x+3)^2$.', setup: (setup) => maths.typed.withKey(setup, 'x^2+6x+9') },
    },
    {
      name: 'Formula',
      about: 'As mathematics, of physical quantities: all positive, may be solved for another',
      setup: ofQuantities,
      example: {
        asks: 'Speed from distance and time, as a formula.',
        setup: (setup) => ofQuantities(maths.typed.withKey(setup, 'v = s/t')),
      },
    },
  ],
  sentence: ({ rules }) => mathsRulesSentence(rules),
};

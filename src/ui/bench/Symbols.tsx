'use client';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';

const GROUPS: [name: string, signs: string][] = [
  ['Greek', 'α β γ δ ε ζ η θ κ λ μ ν ξ π ρ σ τ φ χ ψ ω Γ Δ Θ Λ Π Σ Φ Ψ Ω'],
  ['Mathematics', '± × · ÷ ≈ ≠ ≤ ≥ < > ∞ √ ∑ ∫ ∂ ∆ ∈ ∉ ⊂ ∪ ∩ ∅ ∠ ⊥ ∥ ∝ ½ ¼ ¾ ⅓ ⅔'],
  ['Units and arrows', '° ′ ″ ℃ Ω µ ‰ → ← ↑ ↓ ↔ ⇒ ⇌ ↦'],
  ['Writing', '– — … „ “ ” ‘ ’ « » § ¶ † • ✓ ✗ € £ ¥ ¡ ¿'],
  [
    'Letters',
    'À Á Â Ä Ã Å Æ Ç È É Ê Ë Ì Í Î Ï Ñ Ò Ó Ô Ö Õ Ø Œ Ù Ú Û Ü Ý ß à á â ä ã å æ ç è é ê ë ì í î ï ñ ò ó ô ö õ ø œ ù ú û ü ý ÿ',
  ],
];
const KEY = 'zondaSymbols';
const MOST = 14;

function remembered(): string[] {
  try {
    return (JSON.parse(localStorage.getItem(KEY) ?? '[]') as string[]).slice(0, MOST);
  } catch {
    return [];
  }
}

/** Signs that are not on the keyboard; those used last stand first. */
export function Symbols({ onPick }: { onPick: (sign: string) => void }) {
  const [last, setLast] = useState<string[]>([]);
  const pick = (sign: string): void => {
    const next = [sign, ...remembered().filter((other) => other !== sign)].slice(0, MOST);
    localStorage.setItem(KEY, JSON.stringify(next));
    setLast(next);
    onPick(sign);
  };
  const groups: [string, string[]][] = [
    ...(last.length > 0 ? [['Used last', last] satisfies [string, string[]]] : []),
    ...GROUPS.map(([name, signs]) => [name, signs.split(' ')] satisfies [string, string[]]),
  ];
  return (
    <Dropdown onToggle={(open) => open && setLast(remembered())} autoClose="outside">
      <Dropdown.Toggle variant="quiet" aria-label="Symbols" title="Symbols" onMouseDown={(e) => e.preventDefault()}>
        Ω
      </Dropdown.Toggle>
      <Dropdown.Menu className="symbols">
        {groups.map(([name, signs]) => (
          <div key={name} role="group" aria-label={name}>
            <h3>{name}</h3>
            {signs.map((sign) => (
              <button
                key={sign}
                type="button"
                aria-label={`Insert ${sign}`}
                onMouseDown={(e) => e.preventDefault()}
                onClick={() => pick(sign)}
              >
                {sign}
              </button>
            ))}
          </div>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}

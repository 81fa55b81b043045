import { cleanup, render } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { KIND_NAMES } from '../../src/core/kinds/names';
import { kindOf } from '../../src/core/kinds/registry';
import { storedResponse } from '../../src/core/kinds/response';
import { editorSide, PRESETS } from '../../src/ui/kinds/editors';
import { StudentSlot } from '../../src/ui/kinds/SlotView';
import { drawTextFormulas } from '../../src/ui/sheet/formulas';
import { TrayContext } from '../../src/ui/tray/tray-context';
import { hastyHand } from '../drivers/hasty-hand';
import { sampleOf } from '../drivers/kind-samples';

const ACTS = 40;
/** What went wrong under the hand: a handler's own fault is nothing that the hand hears of. */
let faults: unknown[];
beforeEach(() => {
  faults = [];
  vi.spyOn(console, 'error').mockImplementation((...said) => faults.push(said));
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

/** Something that changes, where a hand changes it; every value that it comes to is looked at. */
function Held({ first, look, draw }: Readonly<{ first: unknown; look: (value: unknown) => void; draw: (value: unknown, change: (next: unknown) => void) => React.ReactNode }>) {
  const [value, setValue] = useState(first);
  return draw(value, (next) => {
    look(next);
    setValue(next);
  });
}

const inShort = ({ path, message }: { path: PropertyKey[]; message: string }): string => `${path.join('.')}: ${message}`;

describe.each(KIND_NAMES)('kind %s in a hasty hand', (name) => {
  const kind = kindOf(name);
  const side = editorSide(name);
  const starts = [
    sampleOf(name).setup,
    ...PRESETS.filter((preset) => preset.kind === name).map(({ setup }) => setup(kind.fresh())),
  ];

  it.each(starts.map((setup, i) => [i, setup] as const))('makes no setup that cannot be kept, read or asked (%i)', async (i, setup) => {
    const look = (made: unknown): void => {
      const read = kind.setup.schema.safeParse(JSON.parse(JSON.stringify(made)));
      if (!read.success) faults.push(...read.error.issues.map(inShort));
      kind.readiness(made);
      kind.sheet(made, 1);
      kind.describe(made);
      side.sentence(made);
    };
    render(
      <TrayContext value={() => undefined}>
        <Held
          first={setup}
          look={look}
          draw={(now, change) => {
            const props = { setup: now, onChange: change, marks: '2', letter: 'A' };
            return (
              <>
                <side.Place {...props} />
                <side.Note {...props} />
              </>
            );
          }}
        />
      </TrayContext>,
    );
    await hastyHand(i + 1, ACTS);
    expect(faults).toEqual([]);
  });

  it.each(starts.map((setup, i) => [i, setup] as const))('gives no response that the slot does not take (%i)', async (i, setup) => {
    const sheet = kind.sheet(setup, null);
    const drawn = drawTextFormulas(kind.describe(setup));
    const look = (given: unknown): void => {
      const read = kind.response.schema.safeParse(JSON.parse(JSON.stringify(storedResponse(kind, given))));
      if (!read.success) faults.push(...read.error.issues.map(inShort));
      if (!kind.accepts(setup, given)) faults.push({ notAccepted: given });
      kind.marked?.mark(setup, given);
    };
    render(
      <Held
        first={undefined}
        look={look}
        draw={(now, change) => (
          <StudentSlot kind={name} id="s" label="Question 1" sheet={sheet} response={now} onChange={change} drawn={drawn} />
        )}
      />,
    );
    await hastyHand(i + 100, ACTS);
    expect(faults).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { readStored, type StoredForm } from './stored-form';

const form: StoredForm<{ version: 3; name: string; marks: string }> = {
  name: 'sample',
  version: 3,
  schema: z.object({ version: z.literal(3), name: z.string(), marks: z.string() }),
  migrations: [
    { name: 'NameTitle', to: 2, up: ({ title, ...rest }) => ({ ...rest, name: title }) },
    { name: 'AddMarks', to: 3, up: (old) => ({ ...old, marks: '1' }) },
  ],
};

describe('stored forms', () => {
  it('are brought up from every older version', () => {
    const now = { version: 3, name: 'a', marks: '1' };
    expect(readStored(form, { version: 1, title: 'a' })).toEqual(now);
    expect(readStored(form, { version: 2, name: 'a' })).toEqual(now);
    expect(readStored(form, now)).toEqual(now);
  });

  it.each([[{ version: 4 }], [{ version: 0 }], [{}], [null], ['text']])(
    'refuse %j, naming what was expected',
    (value) => {
      expect(() => readStored(form, value)).toThrow(/Expected sample of version 1 to 3/);
    },
  );
});

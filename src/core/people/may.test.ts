import { describe, expect, it } from 'vitest';
import { type Act, ACTS, type Acts, may, type Role, ROLES } from './may';

const shared = { share: 'department', owner: 'x', named: [] } as const;
const things: { [A in Act]: Acts[A] } = {
  'use staff rooms': null,
  'see bank': shared,
  'write in bank': shared,
  'change bank': shared,
  'build exams': null,
  'run sittings': null,
  'mark answers': null,
  'see results': null,
  'release results': null,
  'see gradebook': null,
  'manage people': null,
  'set policy': null,
  'write attempt': { student: 'me' },
  'read own result': { student: 'me', released: true },
};

/** Who may do what: every role by every act. */
const table: Record<Act, Role[]> = {
  'use staff rooms': ['lead', 'teacher', 'marker'],
  'see bank': ['lead', 'teacher'],
  'write in bank': ['lead', 'teacher'],
  'change bank': ['lead'],
  'build exams': ['lead', 'teacher'],
  'run sittings': ['lead', 'teacher'],
  'mark answers': ['lead', 'teacher', 'marker'],
  'see results': ['lead', 'teacher'],
  'release results': ['lead', 'teacher'],
  'see gradebook': ['lead', 'teacher'],
  'manage people': ['lead'],
  'set policy': ['lead'],
  'write attempt': ['student'],
  'read own result': ['student'],
};

describe('permissions', () => {
  it('cover every act', () => {
    expect(Object.keys(table).sort()).toEqual([...ACTS].sort());
  });

  for (const act of ACTS) {
    it.each(ROLES.map((role) => [role, table[act].includes(role)] as const))(`${act}: %s → %s`, (role, allowed) => {
      expect(may({ id: 'me', role }, act, things[act] as never)).toBe(allowed);
    });
  }

  it('keep private and named banks to those they are for, the lead included', () => {
    const hidden = { share: 'private', owner: 'imre', named: [] } as const;
    const named = { share: 'named', owner: 'jonas', named: ['odalys'] } as const;
    expect(may({ id: 'imre', role: 'teacher' }, 'see bank', hidden)).toBe(true);
    expect(may({ id: 'odalys', role: 'lead' }, 'see bank', hidden)).toBe(false);
    expect(may({ id: 'odalys', role: 'lead' }, 'write in bank', named)).toBe(true);
    expect(may({ id: 'imre', role: 'teacher' }, 'see bank', named)).toBe(false);
    expect(may({ id: 'odalys', role: 'lead' }, 'change bank', named)).toBe(false);
    expect(may({ id: 'jonas', role: 'teacher' }, 'change bank', named)).toBe(true);
  });

  it('let nobody into the attempt or the unreleased result of another', () => {
    expect(may({ id: 'me', role: 'student' }, 'write attempt', { student: 'other' })).toBe(false);
    expect(may({ id: 'me', role: 'student' }, 'read own result', { student: 'me', released: false })).toBe(false);
    expect(may({ id: 'me', role: 'student' }, 'read own result', { student: 'other', released: true })).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { type Act, ACTS, type Acts, may, type Role, ROLES } from './may';

const me = { is: 'member', id: 'me' } as const;
const shared = { share: 'department', owner: 'x', named: [] } as const;
const mine = { staff: ['me'] } as const;
const things: { [A in Act]: Acts[A] } = {
  'use staff rooms': null,
  'see bank': shared,
  'write in bank': shared,
  'change bank': shared,
  'build exams': null,
  'keep exam': { owner: 'me' },
  'run sittings': mine,
  'keep roster': mine,
  'mark answers': mine,
  'see results': mine,
  'release results': mine,
  'see gradebook': mine,
  'keep gradebook': mine,
  'provide for students': null,
  'manage people': null,
  'set policy': null,
  'write attempt': { participant: me },
  'read own result': { participant: me, seen: true },
};

/** Who may do what: every role by every act. */
const table: Record<Act, Role[]> = {
  'use staff rooms': ['lead', 'teacher', 'marker'],
  'see bank': ['lead', 'teacher'],
  'write in bank': ['lead', 'teacher'],
  'change bank': ['lead'],
  'build exams': ['lead', 'teacher'],
  'keep exam': ['lead', 'teacher'],
  'run sittings': ['lead', 'teacher'],
  'keep roster': ['lead', 'teacher'],
  'mark answers': ['lead', 'teacher', 'marker'],
  'see results': ['lead', 'teacher'],
  'release results': ['lead', 'teacher'],
  'see gradebook': ['lead', 'teacher'],
  'keep gradebook': ['lead', 'teacher'],
  'provide for students': ['lead', 'teacher'],
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

  it.each([
    'run sittings',
    'keep roster',
    'mark answers',
    'see results',
    'release results',
    'see gradebook',
    'keep gradebook',
  ] as const)('%s: in a course of others only the lead may', (act) => {
    const theirs = { staff: ['jonas'] };
    expect(ROLES.filter((role) => may({ id: 'me', role }, act, theirs))).toEqual(['lead']);
  });

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
    const other = { is: 'member', id: 'other' } as const;
    expect(may({ id: 'me', role: 'student' }, 'write attempt', { participant: other })).toBe(false);
    expect(may({ id: 'me', role: 'student' }, 'read own result', { participant: me, seen: false })).toBe(false);
    expect(may({ id: 'me', role: 'student' }, 'read own result', { participant: other, seen: true })).toBe(false);
  });

  it('let every member of a group into its attempt, and a guest into the own one only', () => {
    const group = { is: 'group', id: 'crew', members: ['me', 'you'] } as const;
    const students = ['me', 'you', 'other', 'crew'].filter((id) =>
      may({ id, role: 'student' }, 'write attempt', { participant: group }),
    );
    expect(students).toEqual(['me', 'you']);
    for (const is of ['guest', 'nameless'] as const) {
      const guest = { is, id: 'g1' };
      expect(may({ id: 'g1', role: 'guest' }, 'write attempt', { participant: guest })).toBe(true);
      expect(may({ id: 'g2', role: 'guest' }, 'write attempt', { participant: guest })).toBe(false);
      // A student who happens to have the same id is not that guest, nor the guest that member.
      expect(may({ id: 'g1', role: 'student' }, 'write attempt', { participant: guest })).toBe(false);
      expect(may({ id: 'g1', role: 'guest' }, 'write attempt', { participant: { is: 'member', id: 'g1' } })).toBe(
        false,
      );
    }
    expect(may({ id: 'me', role: 'teacher' }, 'write attempt', { participant: group })).toBe(false);
  });
});

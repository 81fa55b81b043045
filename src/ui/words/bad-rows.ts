import { LEAST_PASSWORD } from '@/core/people/password';
import type { BadRow } from '@/core/people/roster-rows';

const WHY: Record<BadRow['why'], string> = {
  'no-name': 'has no name.',
  'name-long': 'has a name of more than 200 letters.',
  'user-name-odd': 'has a user name with spaces or signs that cannot be typed at signing in.',
  'user-name-twice': 'has the user name of a row above.',
  'user-name-taken': 'has the user name of somebody who is no student.',
  'name-twice': 'could be several: more than one is called so. Say user names.',
  'email-odd': 'has an e-mail address that cannot be one.',
  'password-short': `has a first password of fewer than ${LEAST_PASSWORD} signs.`,
  'not-a-student': 'is no student by its role.',
};

/** Why a row of a roster cannot be brought in. */
export function badRowText({ why, name }: BadRow): string {
  return `${name ? `“${name.slice(0, 60)}” ` : ''}${WHY[why]}`;
}

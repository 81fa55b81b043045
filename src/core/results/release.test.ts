import { describe, expect, it } from 'vitest';
import { certificateNumber, certificateText, readCertificateNumber } from './certificate';
import { isOutFor, releaseIsDue } from './release';

describe('a release', () => {
  it('is out for all, for some, or for nobody', () => {
    expect(isOutFor({ releasedAt: null, releasedTo: null }, 'a')).toBe(false);
    expect(isOutFor({ releasedAt: 1, releasedTo: null }, 'a')).toBe(true);
    expect(isOutFor({ releasedAt: 1, releasedTo: ['a'] }, 'a')).toBe(true);
    expect(isOutFor({ releasedAt: 1, releasedTo: ['a'] }, 'b')).toBe(false);
  });

  it('is due at its time or when nobody writes any more, and never while answers wait', () => {
    const state = { now: 10, over: false, waiting: 0 };
    expect(releaseIsDue({ is: 'at', at: 10 }, state)).toBe(true);
    expect(releaseIsDue({ is: 'at', at: 11 }, state)).toBe(false);
    expect(releaseIsDue({ is: 'at', at: 1 }, { ...state, waiting: 1 })).toBe(false);
    expect(releaseIsDue({ is: 'marked' }, state)).toBe(false);
    expect(releaseIsDue({ is: 'marked' }, { ...state, over: true })).toBe(true);
    expect(releaseIsDue({ is: 'marked' }, { ...state, over: true, waiting: 2 })).toBe(false);
  });
});

describe('a certificate', () => {
  it('has a number that is read however it is typed, without signs that look alike', () => {
    const number = certificateNumber(() => 0.5);
    expect(number).toMatch(/^[2-9A-Z]{4}-[2-9A-Z]{4}-[2-9A-Z]{4}$/);
    expect(number).not.toMatch(/[01IO]/);
    expect(certificateNumber(() => 0.999999)).toBe('ZZZZ-ZZZZ-ZZZZ');
    expect(readCertificateNumber(` ${number.toLowerCase().replaceAll('-', ' ')} `)).toBe(number);
    for (const typed of ['', 'AAAA', 'AAAA-AAAA-AAA0', `${number}2`]) expect(readCertificateNumber(typed)).toBeNull();
  });

  it('fills in what it knows and leaves other words in brackets', () => {
    const values = { name: 'Ada', exam: 'Height', course: 'WT', date: 'today', percent: '90 %', grade: 'A' };
    expect(certificateText('[name] [passed] [exam], [grade]', values)).toBe('Ada [passed] Height, A');
  });
});

import { describe, expect, it } from 'vitest';
import { failuresOf } from './testReport.mjs';

const RED = '\u001B[31m';
const passed = { status: 'passed', fullName: 'is quiet', failureMessages: [] };
const failed = {
  status: 'failed',
  fullName: 'a cup gels late',
  failureMessages: [`${RED}expected 4 to be 5\n  at line`],
};

describe('what failed in a run', () => {
  it('is told by file, test and the first line of why, without colours', () => {
    const report = {
      testResults: [{ name: '/studio/core/cup.test.ts', status: 'failed', assertionResults: [passed, failed] }],
    };
    expect(failuresOf(report, '/studio')).toEqual(['core/cup.test.ts: a cup gels late: expected 4 to be 5']);
  });

  it('names a file that could not be loaded, which has no tests', () => {
    const report = {
      testResults: [
        { name: '/studio/web/a.test.ts', status: 'failed', message: 'no such part\nat', assertionResults: [] },
      ],
    };
    expect(failuresOf(report, '/studio')).toEqual(['web/a.test.ts: no such part']);
  });

  it('is nothing where all passed, and where nothing was reported', () => {
    expect(failuresOf({ testResults: [{ name: 'a', status: 'passed', assertionResults: [passed] }] }, '')).toEqual([]);
    expect(failuresOf({}, '')).toEqual([]);
  });
});

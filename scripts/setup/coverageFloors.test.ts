import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { FLOORS, coverageProblems, reportedProblems } from './coverageFloors.mjs';

const lines = (covered: number, total = 1000) => ({ lines: { total, covered } });
const summary = (core: number, server: number, web: number) => ({
  total: lines(0),
  '/studio/core/src/a.ts': lines(core),
  '/studio/server/src/b.ts': lines(server),
  '/studio/web/src/c.vue': lines(web),
});

describe('coverage by unit tests', () => {
  it('holds at its floors and is told for every room', () => {
    const told: string[] = [];
    const { core, server, web } = FLOORS;
    expect(
      coverageProblems(summary(core * 10, server * 10, web * 10), '/studio', (line) => {
        told.push(line);
      }),
    ).toEqual([]);
    expect(told).toHaveLength(3);
  });
  it('names the room that is under its floor', () => {
    const problems = coverageProblems(summary(949, 1000, 1000), '/studio', () => undefined);
    expect(problems).toEqual(['core: unit tests run 94.9 % of the lines; 95 % are asked for.']);
  });
  it('does not hold where nothing was counted or reported', () => {
    expect(coverageProblems({}, '/studio', () => undefined)).toHaveLength(3);
    expect(reportedProblems(mkdtempSync(join(tmpdir(), 'warm-jar-coverage-')))).toEqual(['No coverage was reported.']);
  });
});

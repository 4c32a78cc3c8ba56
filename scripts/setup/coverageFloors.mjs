import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Least share of the lines that unit tests run, by room, %. */
export const FLOORS = { core: 95, server: 90, web: 70 };

/** How many lines each room has and how many of them were run. @param summary as the coverage tool writes it */
export function coverageByRoom(summary, root) {
  const rooms = Object.fromEntries(Object.keys(FLOORS).map((room) => [room, { total: 0, covered: 0 }]));
  for (const [file, { lines }] of Object.entries(summary)) {
    const room = rooms[file.replace(root, '').replace(/^\//, '').split('/')[0]];
    if (!room) continue;
    room.total += lines.total;
    room.covered += lines.covered;
  }
  return rooms;
}

/** What is under its floor, a sentence each; the others are told. */
export function coverageProblems(summary, root, log = console.log) {
  const problems = [];
  for (const [room, { total, covered }] of Object.entries(coverageByRoom(summary, root))) {
    const share = total === 0 ? 0 : (100 * covered) / total;
    log(`${room}: ${share.toFixed(1)} % of ${total} lines are run by unit tests (at least ${FLOORS[room]} %)`);
    if (share < FLOORS[room])
      problems.push(`${room}: unit tests run ${share.toFixed(1)} % of the lines; ${FLOORS[room]} % are asked for.`);
  }
  return problems;
}

/** What the last run with coverage left under its floor; that none was reported is one of it. */
export function reportedProblems(root) {
  const file = join(root, '.cache/coverage/coverage-summary.json');
  return existsSync(file)
    ? coverageProblems(JSON.parse(readFileSync(file, 'utf8')), root)
    : ['No coverage was reported.'];
}

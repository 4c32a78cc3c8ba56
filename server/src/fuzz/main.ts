import fc from 'fast-check';
import { fillDemo } from '../demo/fillDemo';
import type { Endpoint } from '../http/endpoint';
import { testStudio } from '../testStudio';
import { target, unreadable } from './fuzzRun';
import { anyRequest } from './requests';

/** An answer that takes longer than this is told, ms. */
const SLOW_MS = 2_000;
const AT_ONCE = 1_000;
const [requests = 20_000, seed = Date.now() % 1_000_000] = process.argv.slice(2).map(Number);

const studio = await testStudio({ cards: false });
await fillDemo(studio, new Date());
const api = await target(studio.app);
const endpoints = (studio.app.locals['endpoints'] as Endpoint[]).filter((e) => e.stream === undefined);
console.log(`${requests} requests from seed ${seed}, at a studio with the demo year in it`);
let [failed, slow] = [0, 0];
const statuses = new Map<number, number>();
for (let sent = 0; sent < requests; sent += AT_ONCE) {
  const some = fc.sample(anyRequest(endpoints), { numRuns: Math.min(AT_ONCE, requests - sent), seed: seed + sent });
  for (const one of some) {
    const came = await api.send(one);
    statuses.set(came.status, (statuses.get(came.status) ?? 0) + 1);
    const words = `${one.method} ${one.path.slice(0, 300)} ${JSON.stringify(one.headers)} ${one.body?.slice(0, 2_000) ?? ''}`;
    if (came.status >= 500) {
      failed += 1;
      console.log(`FAILED ${came.status}: ${words}`);
    }
    if (came.ms > SLOW_MS) {
      slow += 1;
      console.log(`SLOW ${Math.round(came.ms)} ms: ${words}`);
    }
  }
}
const unread = await unreadable(api);
for (const line of unread) console.log(`UNREADABLE ${line}`);
for (const error of studio.failures) console.log('LOGGED', error);
console.log(
  `answers: ${[...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, n]) => `${status} × ${n}`)
    .join(', ')}`,
);
console.log(
  `${failed} failures of the server, ${slow} answers over ${SLOW_MS} ms, ${unread.length} unreadable afterwards`,
);
await api.close();
await studio.remove();
process.exit(failed + unread.length + studio.failures.length === 0 ? 0 : 1);

// Posts the figures of an instrument that writes a line for each, such as "S 147.3 g", on standard input.
// WARM_JAR is the application's address, DEVICE the code of the gear, TOKEN its token, WHAT and UNIT what it reads.
import { createInterface } from 'node:readline';

const { WARM_JAR = 'http://127.0.0.1:4310', DEVICE, TOKEN, WHAT = 'scale', UNIT = 'g' } = process.env;
if (!DEVICE || !TOKEN) {
  console.error('Set DEVICE to the code of the gear and TOKEN to its token.');
  process.exit(1);
}

/** Sends one figure; what the application says against it is told, and the next one is tried all the same. */
async function post(value) {
  const answer = await fetch(`${WARM_JAR}/api/v1/devices/${encodeURIComponent(DEVICE)}/readings`, {
    method: 'POST',
    headers: { Authorization: `Bearer ${TOKEN}`, 'Content-Type': 'application/json' },
    body: JSON.stringify({ at: new Date().toISOString(), what: WHAT, value, unit: UNIT }),
  });
  if (!answer.ok) console.error(`${value} ${UNIT}: ${(await answer.json()).error.message}`);
}

for await (const line of createInterface({ input: process.stdin })) {
  const figure = /-?\d+(?:\.\d+)?/.exec(line);
  if (!figure) continue;
  await post(Number(figure[0])).catch((error) => {
    console.error(`${WARM_JAR} cannot be reached: ${error.message}`);
  });
}

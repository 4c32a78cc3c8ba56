import {
  BENCH_PACE,
  DRILL_POT_KPA,
  benchActSchema,
  benchCase,
  benchResult,
  benchState,
  benchViewSchema,
  isAtDoor,
  mayDo,
  pouredG,
  mixedMin,
  unitsQuerySchema,
  wordsIn,
  type BenchCase,
  type BenchState,
  type BenchView,
  type Say,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { drillReadings } from '../devices/drillInstruments';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { newSeed, type DrillRun, type DrillStore } from '../store/drillStore';
import type { BenchRun } from '../store/drillStores';

interface Bench {
  readonly store: DrillStore<BenchRun>;
  readonly now: () => Date;
}

const byId = z.object({ id: z.string().min(1).max(60) });
const viewAnswer = { description: 'The run as it stands, and its cast once it is over', schema: benchViewSchema };
/** More than this nobody does in one run. */
const MAX_ACTS = 200;

const pace = ({ doc }: DrillRun<BenchRun>) => (doc.result ? 0 : BENCH_PACE);

/** Run seconds by the studio's clock: since the last act, at the run's pace. */
function runS({ begunAt, doc }: DrillRun<BenchRun>, now: Date): number {
  const since = Math.max(0, (now.getTime() - Date.parse(doc.heldAt ?? begunAt)) / 1000);
  return doc.heldS + since * BENCH_PACE;
}

function stateOf(run: DrillRun<BenchRun>, now: Date): { c: BenchCase; state: BenchState } {
  const c = benchCase(run.doc.seed);
  const last = run.doc.acts.at(-1)?.atS ?? 0;
  return { c, state: benchState(c, run.doc.acts, run.doc.result ? Math.max(last, run.doc.heldS) : runS(run, now)) };
}

const doingOf = ({ pours, stirs, cast, nowS }: BenchState): BenchView['doing'] => {
  const pouring = pours.find((p) => p.open);
  if (pouring) return pouring.part === 'A' ? 'pouring-a' : 'pouring-b';
  if (stirs.some((s) => s.open)) return 'stirring';
  return cast !== null && nowS < cast.toS ? 'casting' : 'nothing';
};

/** What is to be made, in the card's own figures. */
function taskOf(c: BenchCase, say: Say): string[] {
  const { mix, pressure, demould, potLife, ratio, resin } = c.product;
  const said = (value: number | null | undefined, unit: string) => (value == null ? 'not stated' : say(value, unit));
  return [
    `A ${say(c.targetAG, 'g')}, B ${say(c.targetBG, 'g')}; the card allows ${said(ratio.tolerancePct, '%')} either way.`,
    `Stir ${said(mix?.minMin, 'min')} at least, wall and bottom scraped. Pot life ${said(potLife?.minutes, 'min')} at ${said(potLife?.atC, '°C')}.`,
    `A cast ${say(c.depthMm, 'mm')} deep, at ${said(pressure?.minKPa, 'kPa')} or more from before it gels, for ${said(pressure?.holdMin, 'min')}. The pot is rated ${say(DRILL_POT_KPA, 'kPa')}.`,
    `Demould after ${said(demould?.minutes, 'min')} at ${said(demould?.atC, '°C')}. Resin from ${said(resin?.minC, '°C')} up.`,
  ];
}
/** Steps between the pressures that can be chosen, kPa, and how many there are. */
const [PRESSURE_STEP_KPA, PRESSURES] = [40, 3];

/** Pressures to set the pot to: from the card's least, in whole tens, up to what pot and card bear. */
function pressuresOf({ product }: BenchCase): number[] {
  const least = Math.ceil((product.pressure?.minKPa ?? 0) / 10) * 10;
  const most = Math.min(DRILL_POT_KPA, product.pressure?.maxKPa ?? DRILL_POT_KPA);
  return Array.from({ length: PRESSURES }, (_, i) => least + i * PRESSURE_STEP_KPA).filter((kPa) => kPa <= most);
}

function viewed(run: DrillRun<BenchRun>, now: Date, say: Say): BenchView {
  const { c, state } = stateOf(run, now);
  const readings = drillReadings(c, state);
  const open = state.pours.find((p) => p.open);
  return {
    id: run.id,
    by: run.person,
    product: { slug: c.product.slug, name: c.product.name },
    task: taskOf(c, say),
    nowS: state.nowS,
    pace: pace(run),
    metS: state.metS === null ? null : state.nowS - state.metS,
    cardPotLifeMin: c.product.potLife?.minutes ?? null,
    scaleG: readings.scaleG,
    gPerS: open?.gPerS ?? 0,
    targetG: { A: c.targetAG, B: c.targetBG },
    pouredG: { A: pouredG(c, state, 'A'), B: pouredG(c, state, 'B') },
    roomC: c.roomC,
    humidityPct: c.humidityPct,
    resinC: readings.resinC,
    gaugeKPa: readings.gaugeKPa,
    pressures: pressuresOf(c),
    stirredMin: mixedMin(state),
    doing: doingOf(state),
    scraped: state.scraped,
    cast: state.cast !== null && state.nowS >= state.cast.toS,
    shut: state.shutS !== null,
    released: state.releasedS !== null,
    interrupted: isAtDoor(c, state) ? 'Somebody is at the door. They will not be long.' : null,
    may: run.doc.result ? [] : mayDo(c, state),
    look: { seed: run.doc.seed % 1_000_000, clarity: c.product.clarity ?? null, colours: [] },
    result: run.doc.result,
  };
}

const begin = ({ store, now }: Bench): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/bench-drills',
      summary: 'A whole run on simulated instruments and a fast clock',
      query: unitsQuerySchema,
      answers: { 201: viewAnswer },
    },
    async ({ query }) => {
      const run = await store.begin({ seed: newSeed(), acts: [], heldS: 0, heldAt: null, result: null });
      return { status: 201, body: viewed(run, now(), wordsIn(query)) };
    },
  );

const show = ({ store, now }: Bench): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/bench-drills/{id}',
      summary: 'A run as it stands now',
      params: byId,
      query: unitsQuerySchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query }) => ({ status: 200, body: viewed(await store.get(params.id), now(), wordsIn(query)) }),
  );

const act = ({ store, now }: Bench): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/bench-drills/{id}/acts',
      summary: 'What hands do now; demoulding ends it and shows the cast',
      params: byId,
      query: unitsQuerySchema,
      body: benchActSchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query, body }) => {
      const say = wordsIn(query);
      const moment = now();
      const run = await store.change(params.id, (held) => {
        const { c, state } = stateOf(held, moment);
        if (!mayDo(c, state).includes(body.do) || held.doc.acts.length >= MAX_ACTS)
          throw new Problem(409, 'not-now', 'That cannot be done now. Do one of what the run offers.', [
            { path: 'do', message: `Now: ${mayDo(c, state).join(', ') || 'wait'}.` },
          ]);
        const acts = [...held.doc.acts, { atS: state.nowS, act: body }];
        const after = benchState(c, acts, state.nowS);
        const ended = after.demouldedS !== null;
        const result = ended ? benchResult(c, after, say) : null;
        const doc = { ...held.doc, acts, heldS: after.nowS, heldAt: moment.toISOString(), result };
        return { doc, ended };
      });
      return { status: 200, body: viewed(run, moment, say) };
    },
  );

/** Runs on simulated instruments: beside the log and the studio's own devices. */
export const benchDrillRoutes = ({ drills: { bench: store }, clock }: AppDeps): Endpoint[] =>
  [begin, show, act].map((route) => route({ store, now: clock.now }));

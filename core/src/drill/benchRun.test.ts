import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { valueAt } from '../formats/documentPath';
import { benchResultSchema, type BenchAct, type TimedAct } from '../formats/benchDrill';
import { workingTime } from '../cure/workingTime';
import {
  benchCase,
  benchState,
  doorSpan,
  gaugeAt,
  highestKPa,
  isAtDoor,
  mayDo,
  mixedMin,
  pouredG,
  stirredMin,
  type BenchCase,
} from './benchRun';
import { benchRecord, benchResult, benchRun, leftMm, madeFaults } from './benchCast';

const found = (mishap: BenchCase['mishap']): BenchCase => {
  for (let seed = 1; seed < 400; seed += 1) {
    const c = benchCase(seed);
    if (c.mishap === mishap) return c;
  }
  throw new Error(`No run with ${String(mishap)}.`);
};

/** A run done well, but for what is done otherwise. */
const WELL = {
  offG: 0,
  stirS: 95,
  how: 'gentle' as 'gentle' | 'brisk',
  scrape: true,
  waitS: 0,
  /** The pot's pressure; null for a pot that is never shut. */
  kPa: 320 as number | null,
  holdMin: 130,
  lateS: 0,
  warm: false,
  topUps: 0,
  demouldMin: 60,
};
type Otherwise = Partial<typeof WELL>;

/** Acts one after the other, each at its second. */
function atBench(c: BenchCase) {
  const acts: TimedAct[] = [];
  let nowS = 0;
  const act = (a: BenchAct, forS = 1) => {
    acts.push({ atS: nowS, act: a });
    nowS += forS;
  };
  return {
    acts,
    act,
    now: () => nowS,
    pour: (part: 'A' | 'B', massG: number) => {
      act({ do: 'pour', part, thin: false }, Math.max(0, massG - c.hand.dripG) / c.hand.gPerS);
      act({ do: 'stop' });
    },
    wait: (minutes: number) => {
      for (let left = minutes; left >= 1; left -= 60) {
        const some = Math.min(60, Math.floor(left));
        act({ do: 'skip', minutes: some }, some * 60 + 1);
      }
    },
  };
}

function run(c: BenchCase, otherwise: Otherwise = {}): { acts: TimedAct[]; nowS: number } {
  const o = { ...WELL, ...otherwise };
  const { acts, act, pour, wait, now } = atBench(c);
  act({ do: 'read-lots' });
  if (o.warm) act({ do: 'warm' }, 1201);
  pour('A', c.targetAG);
  pour('B', c.targetBG + o.offG);
  act({ do: 'stir', how: o.how }, o.stirS);
  if (o.scrape) act({ do: 'scrape' }, 0);
  act({ do: 'stop' }, 1 + o.waitS);
  act({ do: 'cast', fast: false }, 90 + o.lateS);
  if (o.kPa !== null) act({ do: 'shut', toKPa: o.kPa }, 60);
  for (let i = 0; i < o.topUps; i += 1) act({ do: 'top-up' }, 60);
  wait(o.holdMin);
  if (o.kPa !== null) act({ do: 'release' }, 120);
  wait(o.demouldMin);
  act({ do: 'demould' });
  return { acts, nowS: now() };
}
const after = (c: BenchCase, o: Otherwise = {}) => {
  const { acts, nowS } = run(c, o);
  return benchState(c, acts, nowS);
};
const causes = (c: BenchCase, o: Otherwise = {}) => madeFaults(c, after(c, o)).map((f) => f.cause);
const plain = found(null);

describe('a run', () => {
  it('done well makes a sound cast, and a record without a word that was not so', () => {
    const state = after(plain);
    expect(madeFaults(plain, state)).toEqual([]);
    expect(batchSchema.safeParse(benchRecord(plain, state, benchRun(plain, state)!, [])).success).toBe(true);
    const result = benchResultSchema.parse(benchResult(plain, state));
    expect(result).toMatchObject({ lost: false, faults: [], mishap: null, diagnosis: [] });
  });
  it('has a record of what was done and read, and of nothing else', () => {
    const acts = run(plain).acts.filter((a) => a.act.do !== 'read-lots');
    const state = benchState(plain, acts, 20_000);
    const record = benchRecord(plain, state, benchRun(plain, state)!, []);
    for (const field of [
      'mix.tool',
      'mix.secondCup',
      'pour.tilted',
      'pour.flame',
      'mould',
      'lotA',
      'lotB',
      'cure.covered',
    ])
      expect(valueAt(record, field) ?? null, field).toBeNull();
    expect([record.resin!.temperatureAC, record.resin!.atPourC ?? null]).toEqual([null, null]);
    expect(record.mix!.amountA).toBeCloseTo(plain.targetAG, 1);
  });
  it('counts no stirring of what was poured later, and no reading of what was warmed since', () => {
    const early: TimedAct[] = [
      { atS: 0, act: { do: 'read-lots' } },
      { atS: 1, act: { do: 'pour', part: 'A', thin: false } },
      { atS: 30, act: { do: 'pour', part: 'B', thin: false } },
      { atS: 40, act: { do: 'stir', how: 'gentle' } },
      { atS: 140, act: { do: 'pour', part: 'B', thin: false } },
      { atS: 150, act: { do: 'stir', how: 'gentle' } },
    ];
    const state = benchState(plain, early, 180);
    expect(stirredMin(state) * 60).toBeCloseTo(130, 9);
    expect(mixedMin(state) * 60).toBeCloseTo(30, 9);
    const bath: TimedAct[] = [early[0]!, { atS: 5, act: { do: 'warm' } }];
    expect(benchState(plain, early.slice(0, 1), 3).lotReadC).toBe(plain.lotC);
    expect(benchState(plain, bath, 3000).lotReadC).toBeNull();
  });
  it('keeps of the gauge what it showed, not what the valve was set to', () => {
    const small = found('small-compressor');
    const acts = run(small).acts;
    const shut = acts.findIndex((a) => a.act.do === 'shut');
    const soon = [...acts.slice(0, shut + 1), { atS: acts[shut]!.atS + 60, act: { do: 'release' } } as TimedAct];
    const state = benchState(small, soon, acts[shut]!.atS + 300);
    expect(highestKPa(state)).toBeCloseTo(gaugeAt(state, acts[shut]!.atS + 59.99), 0);
    expect(highestKPa(state)).toBeLessThan(200);
    expect(highestKPa(after(plain))).toBeCloseTo(320, 0);
  });
  it('keeps what it weighs: poured is its stream by its seconds, and what fell after', () => {
    const { acts } = run(plain);
    const state = benchState(plain, acts.slice(0, 5), 600);
    expect(pouredG(plain, state, 'A')).toBeCloseTo(plain.targetAG, 6);
    expect(pouredG(plain, state, 'B')).toBeCloseTo(plain.targetBG, 6);
    // Twice as long, twice as much.
    const once = benchState(plain, [{ atS: 0, act: { do: 'pour', part: 'A', thin: true } }], 10);
    const twice = benchState(plain, [{ atS: 0, act: { do: 'pour', part: 'A', thin: true } }], 20);
    expect(pouredG(plain, twice, 'A')).toBeCloseTo(2 * pouredG(plain, once, 'A'), 9);
  });
  it('counts the parts as met when the second one is poured, to the second', () => {
    const acts: TimedAct[] = [
      { atS: 3, act: { do: 'pour', part: 'A', thin: false } },
      { atS: 20, act: { do: 'stop' } },
      { atS: 31, act: { do: 'pour', part: 'B', thin: false } },
    ];
    expect(benchState(plain, acts, 30).metS).toBe(31);
    expect(benchState(plain, acts.slice(0, 2), 30).metS).toBeNull();
  });
  it('gels when the core’s own model of the batch says so', () => {
    const state = after(plain, { offG: 0 });
    const r = benchRun(plain, state)!;
    const known = {
      ...benchRecord(plain, state, benchRun(plain, state)!, []),
      resin: { temperatureAC: plain.lotC, temperatureBC: plain.lotC },
    };
    expect(r.gelMin).toBeCloseTo(workingTime(plain.product, known as never).gelMin!, 1);
  });
});

describe('slips', () => {
  it('of the ratio, the stir and the clock each make their fault, and the ledger finds it in the record', () => {
    const made: [Otherwise, string][] = [
      [{ offG: 0.12 * plain.targetBG }, 'ratio-off'],
      [{ offG: -0.2 * plain.targetBG }, 'ratio-off'],
      [{ stirS: 30 }, 'under-mixed'],
      [{ scrape: false }, 'under-mixed'],
      [{ holdMin: 20, demouldMin: 10 }, 'too-soon'],
      [{ kPa: 60 }, 'pressure-low'],
    ];
    for (const [otherwise, cause] of made) {
      const state = after(plain, otherwise);
      const result = benchResult(plain, state);
      expect(
        result.faults.map((f) => f.cause),
        cause,
      ).toContain(cause);
      const at = result.faults.findIndex((f) => f.cause === cause);
      expect(
        result.diagnosis[at]!.causes.map((d) => d.id),
        cause,
      ).toContain(cause);
    }
  });
  it('of pressure: late, and let go before it gelled', () => {
    const gelS = benchRun(plain, after(plain))!.gelMin * 60;
    expect(causes(plain, { lateS: gelS })).toContain('pressure-late');
    expect(causes(plain, { holdMin: 1, demouldMin: 150 })).toContain('pressure-let-go');
  });
  it('of air: what was whipped into a deep cast stays, what was stirred gently does not', () => {
    const deep = { ...plain, depthMm: 45 };
    expect(causes(deep)).toEqual([]);
    expect(causes(deep, { how: 'brisk' })).toEqual(['whipped-air']);
  });
  it('grow with what was done: the further from the ratio, never the sounder', () => {
    let wasBad = false;
    for (let off = 0; off <= 0.3; off += 0.01) {
      const bad = causes(plain, { offG: off * plain.targetBG }).includes('ratio-off');
      if (wasBad) expect(bad).toBe(true);
      wasBad = bad;
    }
    expect(wasBad).toBe(true);
  });
  it('that let it set in the cup lose the cast, and say so', () => {
    const result = benchResult(plain, after(plain, { waitS: 1500 }));
    expect(result).toMatchObject({ lost: true, faults: [] });
  });
});

describe('the bubbles that stay', () => {
  const r = benchRun(plain, after(plain))!;
  const air = {
    curve: r.curve,
    gelMin: r.gelMin,
    entrainedMm: 0.22,
    castMin: r.castEndMin,
    lidMin: r.shutMin!,
    fullMin: r.fullMin!,
    gaugeKPa: 300,
  };
  /** The largest bubble left along a sweep of one input. */
  const along = (from: number, to: number, step: number, change: (v: number) => Partial<typeof air>) =>
    Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) =>
      leftMm(plain, { ...air, ...change(from + i * step) }),
    );
  const rises = (all: readonly number[]) => all.every((v, i) => i === 0 || v >= all[i - 1]! - 1e-9);
  it('are never larger for more pressure, and gone at the card’s', () => {
    const all = along(0, 400, 5, (gaugeKPa) => ({ gaugeKPa }));
    expect(rises([...all].reverse())).toBe(true);
    expect(all[0]).toBeGreaterThan(0.1);
    expect(all.at(-1)).toBe(0);
  });
  it('are never smaller for pressing later, nor for more air stirred in', () => {
    expect(rises(along(r.shutMin!, r.gelMin + 2, 0.1, (fullMin) => ({ fullMin })))).toBe(true);
    expect(rises(along(0.05, 1.5, 0.01, (entrainedMm) => ({ entrainedMm, gaugeKPa: 60 })))).toBe(true);
  });
  it('are squeezed as Boyle has it where none dissolves', () => {
    const open = leftMm(plain, { ...air, entrainedMm: 0.1, gaugeKPa: 0 });
    const pressed = leftMm(plain, { ...air, entrainedMm: 0.1, gaugeKPa: 101.325, fullMin: r.gelMin });
    expect(pressed / open).toBeCloseTo(Math.cbrt(0.5), 2);
  });
});

describe('what goes wrong by itself', () => {
  it('a cold lot takes up water and gels later, and a bath mends both', () => {
    const c = found('cold-lot');
    expect(benchRun(c, after(c))!.gelMin).toBeGreaterThan(benchRun(c, after(c, { warm: true }))!.gelMin);
    expect(causes(c)).toEqual(['damp-resin']);
    expect(causes(c, { warm: true })).toEqual([]);
  });
  it('a leak lets the pressure down until it is topped up', () => {
    const c = found('leak');
    const { acts, nowS } = run(c);
    const shut = acts.find((a) => a.act.do === 'shut')!.atS;
    const state = benchState(c, acts, nowS);
    expect(gaugeAt(state, shut + 600)).toBeLessThan(gaugeAt(state, shut + 120));
    expect(causes(c, { kPa: 300 })).toContain('pressure-low');
    expect(causes(c, { kPa: 320, topUps: 8 })).toEqual([]);
  });
  it('a small compressor is late where another is in time', () => {
    const c = found('small-compressor');
    const large = { ...c, pot: { ...c.pot, tankL: 24, pumpLPerMin: 60 } };
    expect(benchRun(c, after(c))!.fullMin ?? Infinity).toBeGreaterThan(benchRun(large, after(large))!.fullMin!);
  });
  it('somebody at the door takes hands off, and lets nothing be done, to the second', () => {
    const c = found('interruption');
    const { acts } = run(c);
    const met = benchState(c, acts.slice(0, 4), 0).metS!;
    const door = doorSpan(c, met)!;
    const stirring = acts.slice(0, 6);
    const before = benchState(c, stirring, door.fromS - 1);
    const during = benchState(c, stirring, door.fromS);
    expect([isAtDoor(c, before), isAtDoor(c, during)]).toEqual([false, true]);
    expect(mayDo(c, during)).toEqual([]);
    expect(stirredMin(benchState(c, stirring, door.toS))).toBeCloseTo(stirredMin(during), 9);
    expect(isAtDoor(c, benchState(c, stirring, door.toS))).toBe(false);
    expect(mayDo(c, benchState(c, stirring, door.toS))).toContain('stir');
  });
  it('a heavy hand pours on after it stopped', () => {
    const c = found('heavy-hand');
    expect(c.hand.dripG).toBeGreaterThan(plain.hand.dripG);
    expect(c.hand.gPerS).toBeGreaterThan(plain.hand.gPerS);
  });
  it('is told in the end, and never before', () => {
    for (const mishap of ['cold-lot', 'leak', 'heavy-hand', 'interruption', 'small-compressor'] as const) {
      const c = found(mishap);
      expect(benchResult(c, after(c)).mishap?.says.length).toBeGreaterThan(20);
    }
  });
});

describe('what can be done', () => {
  it('follows the work: nothing is cast before the parts met, shut before it is cast, opened before it is shut', () => {
    const at = (acts: TimedAct[], nowS: number) => mayDo(plain, benchState(plain, acts, nowS));
    expect(at([], 0)).toEqual(['read-lots', 'warm', 'pour']);
    const { acts, nowS } = run(plain);
    const upTo = (act: string) =>
      acts.slice(
        0,
        acts.findIndex((a) => a.act.do === act),
      );
    const castAt = acts.find((a) => a.act.do === 'cast')!.atS;
    expect(at(upTo('cast'), castAt)).not.toContain('shut');
    expect(at(acts.slice(0, upTo('cast').length + 1), castAt + 80)).toEqual(expect.arrayContaining(['shut', 'skip']));
    expect(at(upTo('release'), 0)).not.toContain('demould');
    // Let go, it is opened once the gauge is at nought, and not a second before.
    const release = acts.findIndex((a) => a.act.do === 'release');
    const letGo = acts.slice(0, release + 1);
    const letGoS = acts[release]!.atS;
    expect(at(letGo, letGoS + 30)).not.toContain('demould');
    expect(at(letGo, letGoS + 61)).toContain('demould');
    expect(at(acts, nowS)).toEqual([]);
  });
});

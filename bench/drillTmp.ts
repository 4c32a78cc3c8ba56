import { chanceFrom } from '../core/src/simulation/chance';
import { DRILL_LEVELS } from '../core/src/formats/drill';
import { drillCase } from '../core/src/drill/drillCase';
import { drillCauses, drillResult, drillView } from '../core/src/drill/diagnosisDrill';
import { ledgerTakes, randomTakes } from '../core/src/drill/ledgerTrainee';
import { drillScore } from '../core/src/drill/drillScore';
const N = Number(process.argv[2] ?? 40);
for (const level of DRILL_LEVELS) {
  const t0 = performance.now();
  const cases = Array.from({ length: N }, (_, i) => drillCase(1000 + i * 17, level));
  const t1 = performance.now();
  let led = 0, min = 0, rnd = 0, asked = 0, n = 0, m = 0, mr=0;
  for (const c of cases) {
    const causes = drillCauses(c);
    const l = ledgerTakes(c);
    led += drillScore(causes, l.spread, c.truth); min += l.minutes; asked += l.asked.length;
    rnd += drillScore(causes, randomTakes(c, causes, chanceFrom(c.seed)).spread, c.truth);
    n += causes.length;
    const r = drillResult(c, [], { shares: [], mend: null });
    if (r.mend) m += 1; if (r.best.mendRight) mr += 1;
  }
  const t2 = performance.now();
  console.log(level, 'make ms', ((t1 - t0) / N).toFixed(1), 'take ms', ((t2 - t1) / N).toFixed(1), 'ledger', (led / N).toFixed(1), 'min', (min / N).toFixed(1), 'asked', (asked / N).toFixed(1), 'random', (rnd / N).toFixed(1), 'causes', n / N, 'mend', m, 'mendRight', mr);
}
const c = drillCase(1017, 3);
const v = drillView(c, { id: 'x', by: null, asked: [], result: null, comesBack: null });
console.log(JSON.stringify({ ...v, limits: v.limits.length }, null, 1).slice(0, 6000));
console.log(JSON.stringify(drillResult(c, ledgerTakes(c).asked, { shares: [], mend: null }), null, 1).slice(0, 5000));

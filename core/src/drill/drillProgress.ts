import { wilsonInterval } from '../learning/wilsonInterval';
import type { DrillLevel, DrillProgress, DrillSummary } from '../formats/drill';
import { DRILL_LEVELS } from '../formats/drill';
import { FAMILIES, type CauseId, type Family } from '../formats/vocabulary';
import { causeTitle } from '../diagnosis/catalogue';
import { byText } from '../formats/byText';

/** A drill that was answered, as progress reads it. */
export interface DrillDone {
  readonly at: string;
  readonly level: DrillLevel;
  readonly family: Family;
  readonly result: DrillSummary;
}

/** Sureness in five steps. */
const STEPS = [0, 0.2, 0.4, 0.6, 0.8] as const;
const STEP = 0.2;
/** So many of the latest say whether somebody is ready, and so much of the ledger's score makes them so. */
const [LATEST, OF_LEDGER] = [5, 0.8];
/** As many as a curve shows. */
const SHOWN = 60;

/** What somebody was surest of, and how sure. */
export function surest({
  shares,
}: Pick<DrillSummary, 'shares'>): { readonly id: CauseId; readonly share: number } | null {
  return [...shares].sort((a, b) => b.share - a.share)[0] ?? null;
}

const isRight = (r: DrillSummary): boolean => r.truth.some((t) => t.id === surest(r)?.id);
const mean = (all: readonly number[]) => all.reduce((a, b) => a + b, 0) / all.length;

function calibrationOf(done: readonly DrillDone[]): DrillProgress['calibration'] {
  // Where two were at work no single cause deserves to be sure of.
  const single = done.filter((d) => d.result.truth.length === 1);
  return STEPS.map((from) => {
    const to = from + STEP;
    const said = single.flatMap(({ result }) => {
      const first = surest(result);
      const isIn = first !== null && first.share >= from && (first.share < to || (to >= 1 && first.share <= 1));
      return isIn ? [{ share: first.share, right: isRight(result) }] : [];
    });
    const right = said.filter((s) => s.right).length;
    const { low, high } = said.length > 0 ? wilsonInterval(right, said.length) : { low: 0, high: 1 };
    return {
      from,
      to,
      times: said.length,
      right,
      meanShare: said.length > 0 ? mean(said.map((s) => s.share)) : null,
      low,
      high,
    };
  });
}

/** Whether the latest drills of a kind come near the ledger's: null where there are too few to say. */
function readyOf(done: readonly DrillDone[]): boolean | null {
  if (done.length < LATEST) return null;
  const latest = done.slice(-LATEST);
  const [own, ledger] = [mean(latest.map((d) => d.result.score)), mean(latest.map((d) => d.result.best.score))];
  return own >= Math.max(0, ledger) * OF_LEDGER;
}

const summed = (done: readonly DrillDone[]) => ({
  times: done.length,
  score: done.length > 0 ? mean(done.map((d) => d.result.score)) : null,
  ledger: done.length > 0 ? mean(done.map((d) => d.result.best.score)) : null,
  ready: readyOf(done),
});

function byCause(done: readonly DrillDone[]): DrillProgress['causes'] {
  const ids = new Set(done.flatMap((d) => d.result.truth.map((t) => t.id)));
  return [...ids]
    .map((id) => {
      const of = done.filter((d) => d.result.truth.some((t) => t.id === id));
      return {
        id,
        title: causeTitle(id),
        times: of.length,
        right: of.filter((d) => isRight(d.result)).length,
        score: mean(of.map((d) => d.result.score)),
      };
    })
    .sort((a, b) => a.score - b.score || byText(a.title, b.title));
}

/**
 * What somebody's drills say: how far sureness came true, by level, family and cause, and what they are ready for: the
 * latest five at four fifths of what the ledger scored on the same.
 * @param done answered drills, in any order
 */
export function drillProgress(
  done: readonly DrillDone[],
): Omit<DrillProgress, 'person' | 'due' | 'confusions' | 'quick' | 'bench'> {
  const inOrder = [...done].sort((a, b) => byText(a.at, b.at));
  const chosen = inOrder.flatMap((d) => (d.result.mend ? [d.result.mend.isRight] : []));
  return {
    times: done.length,
    calibration: calibrationOf(inOrder),
    levels: DRILL_LEVELS.map((level) => ({ level, ...summed(inOrder.filter((d) => d.level === level)) })),
    families: FAMILIES.map((family) => ({ family, ...summed(inOrder.filter((d) => d.family === family)) })).filter(
      (f) => f.times > 0,
    ),
    causes: byCause(inOrder),
    mends: { chosen: chosen.length, right: chosen.filter(Boolean).length },
    runs: inOrder.slice(-SHOWN).map(({ at, level, result }) => ({
      at,
      level,
      score: result.score,
      ledger: result.best.score,
      minutes: result.minutes,
      ledgerMin: result.best.minutes,
    })),
  };
}

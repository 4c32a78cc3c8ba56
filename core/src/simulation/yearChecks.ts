import type { Product } from '../formats/product';
import type { Chance } from './chance';
import type { Patch } from './injectedFault';
import type { Fault } from './yearCauses';

/** A piece is looked at again, though nothing was wrong, this often. */
const LATER_LOOK_RATE = 0.25;
/** Faults that a fresh coat may mend, and how often a mend holds. */
const COATABLE = new Set(['tacky', 'bubbles']);
const [MENDED_RATE, HOLDS_RATE] = [0.5, 0.65];

const firstLookH = (card: Product, chance: Chance) =>
  Math.round(Math.max(22, ((card.demould?.minutes ?? 60) / 60) * 1.6) + chance.between(0, 6));
const hardness = (card: Product, chance: Chance, share = 1) =>
  card.hardness?.value == null ? null : Math.round(card.hardness.value * share - chance.between(0, 4));
const gradeOf = ({ severity, kind }: Fault, chance: Chance) => {
  if (severity >= 4) return 'scrap';
  if (severity < 3) return 'second';
  if (COATABLE.has(kind) && chance.flip(MENDED_RATE)) return 'mend';
  return chance.flip(0.6) ? 'scrap' : 'second';
};

/** The looks at a piece. */
export function checksOf(card: Product, fault: Fault | null, chance: Chance): Patch[] {
  const first = firstLookH(card, chance);
  if (!fault) {
    const sound = { afterH: first, shore: hardness(card, chance), symptoms: [], grade: 'pass' };
    return chance.flip(LATER_LOOK_RATE)
      ? [sound, { ...sound, afterH: first + 146, shore: hardness(card, chance, 1.02) }]
      : [sound];
  }
  const soft = fault.kind === 'soft' || fault.kind === 'tacky';
  const seen = {
    afterH: Math.max(first, Math.round(fault.afterH ?? 0)),
    shore: soft ? hardness(card, chance, 0.7) : hardness(card, chance),
    symptoms: [{ kind: fault.kind, pattern: fault.pattern, severity: fault.severity, where: 'whole cast' }],
    grade: gradeOf(fault, chance),
    ...fault.check,
  };
  // What shows only later passed its first look.
  return fault.afterH && fault.afterH > first + 24
    ? [{ afterH: first, shore: hardness(card, chance), symptoms: [], grade: 'pass' }, seen]
    : [seen];
}

/** The mends of a piece that was to be mended, a second where the first did not hold, with the looks after them. */
export function mendsOfYear(
  fault: Fault | null,
  checks: readonly Patch[],
  by: string,
  chance: Chance,
): { mends: Patch[]; checks: Patch[] } | null {
  const last = checks.at(-1);
  if (!fault || !COATABLE.has(fault.kind) || last?.['grade'] !== 'mend') return null;
  const mend = (atH: number, steps: string[]): Patch => ({
    atH,
    doneH: atH + 0.8,
    kind: fault.kind,
    pattern: fault.pattern,
    steps: steps.map((says) => ({ says, done: true })),
    recheckAfterH: 24,
    coat: { areaCM2: 260, thicknessMm: 1, massG: Math.round(chance.between(24, 34)) },
    by,
  });
  const looked = (afterH: number, symptoms: unknown[], grade: string): Patch => ({ afterH, symptoms, grade });
  const at = Number(last['afterH']) + 2;
  const first = mend(at, ['Sanded and wiped.', 'Fresh, measured coat.']);
  if (chance.flip(HOLDS_RATE)) return { mends: [first], checks: [...checks, looked(at + 26, [], 'second')] };
  const again = [{ kind: fault.kind, pattern: fault.pattern, severity: 2 }];
  return {
    mends: [first, mend(at + 28, ['Coat taken off again to sound resin.', 'Fresh coat of a new lot.'])],
    checks: [...checks, looked(at + 26, again, 'mend'), looked(at + 56, [], chance.flip(0.6) ? 'second' : 'scrap')],
  };
}

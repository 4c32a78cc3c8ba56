import { FACTORS } from '../formats/vocabulary';
import type { BatchFacts } from './batchFacts';
import type { CastFacts } from './castFacts';

/**
 * Facts as they are kept: what is nothing is left out, and of a casting only what is not so of its batch, as a merge
 * patch (RFC 7396). A hundred thousand batches are half as much to read.
 */
export type PackedFacts = Partial<Omit<BatchFacts, 'castings'>> & { readonly castings?: readonly Patch[] };
type Patch = Readonly<Record<string, unknown>>;

/** What a casting does not share with its batch by nature, or is told once with the batch. */
const OWN = ['levels', 'castings', 'settled', 'copiedFrom', 'gel'];

const isNothing = (value: unknown): boolean =>
  value === undefined || value === null || value === false || (Array.isArray(value) && value.length === 0);
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Entries of what one thing is and another is not; null for what the other alone has. */
function patchOf(from: Patch, to: Patch): Patch {
  const keys = [...new Set([...Object.keys(to), ...Object.keys(from)])];
  return Object.fromEntries(
    keys.flatMap((key) => {
      if (isSame(from[key], to[key])) return [];
      // Nothing against nothing is nothing new, however it is written.
      if (isNothing(from[key]) && isNothing(to[key])) return [];
      return [[key, to[key] ?? null]];
    }),
  );
}

/** All entries of a thing but these. */
const without = (thing: object, keys: readonly string[]): Patch =>
  Object.fromEntries(Object.entries(thing).filter(([key]) => !keys.includes(key)));

function patchOfCasting(batch: Patch, levels: CastFacts['levels'], casting: CastFacts): Patch {
  const changed = patchOf(levels as Patch, casting.levels as Patch);
  return {
    ...patchOf(batch, without(casting, ['levels', 'gel'])),
    ...(Object.keys(changed).length > 0 ? { levels: changed } : {}),
  };
}

export function packFacts(facts: BatchFacts): PackedFacts {
  const whole = Object.fromEntries(
    Object.entries(facts).filter(
      ([key, value]) => !isNothing(value) && key !== 'castings' && !(key === 'mendG' && value === 0),
    ),
  );
  const shared = without(facts, OWN);
  const castings = (facts.castings ?? []).map((k) => patchOfCasting(shared, facts.levels, k));
  return { ...whole, ...(castings.length > 0 ? { castings } : {}) };
}

function levelsWith(levels: CastFacts['levels'], patch: Patch | undefined): CastFacts['levels'] {
  if (patch === undefined) return levels;
  const all: Record<string, string> = {};
  for (const factor of FACTORS) {
    const level = patch[factor] === undefined ? levels[factor] : patch[factor];
    if (typeof level === 'string') all[factor] = level;
  }
  return all;
}

/** Of a casting what is written of it, nothing too; else what is so of its batch. */
const ofCasting = <K extends keyof CastFacts>(k: Partial<CastFacts>, of: CastFacts, key: K): CastFacts[K] => {
  const own = k[key];
  return own === undefined ? of[key] : own;
};

type Writable<T> = { -readonly [K in keyof T]: T[K] };

// Facts are written out entry by entry, and what not all have is put in after: where entries follow a spread, each took
// as long as the rest together, and of a long log they are a quarter of a million.

/** @param of the casting's batch */
function unpackCasting(of: CastFacts, patch: Patch): CastFacts {
  const k = patch as Partial<CastFacts>;
  const facts: Writable<CastFacts> = {
    code: of.code,
    startedAt: of.startedAt,
    levels: levelsWith(of.levels, k.levels as Patch | undefined),
    seen: ofCasting(k, of, 'seen') ?? [],
    limits: ofCasting(k, of, 'limits') ?? [],
    looked: ofCasting(k, of, 'looked') ?? false,
    grade: ofCasting(k, of, 'grade'),
    massG: ofCasting(k, of, 'massG'),
    massAG: ofCasting(k, of, 'massAG'),
    massBG: ofCasting(k, of, 'massBG'),
    mendG: ofCasting(k, of, 'mendG') ?? 0,
    leftG: ofCasting(k, of, 'leftG'),
    pulls: ofCasting(k, of, 'pulls'),
    gel: null,
    cavity: k.cavity ?? null,
    reason: k.reason ?? null,
    price: k.price ?? null,
    sold: k.sold ?? false,
  };
  if (k.casting !== undefined) facts.casting = k.casting;
  return facts;
}

/** What a batch shares with its castings by nature. */
const wholeOf = (packed: PackedFacts): Writable<BatchFacts> => ({
  code: packed.code ?? '',
  startedAt: packed.startedAt ?? null,
  levels: packed.levels ?? {},
  seen: packed.seen ?? [],
  limits: packed.limits ?? [],
  looked: packed.looked ?? false,
  grade: packed.grade ?? null,
  massG: packed.massG ?? null,
  massAG: packed.massAG ?? null,
  massBG: packed.massBG ?? null,
  mendG: packed.mendG ?? 0,
  leftG: packed.leftG ?? null,
  pulls: packed.pulls ?? null,
  gel: packed.gel ?? null,
});

/** @param packed as `packFacts` made it */
export function unpackFacts(packed: PackedFacts): BatchFacts {
  const { castings, settled, copiedFrom } = packed;
  const whole = wholeOf(packed);
  if (settled !== undefined) whole.settled = settled;
  if (copiedFrom !== undefined) whole.copiedFrom = copiedFrom;
  if (castings !== undefined) whole.castings = castings.map((k) => unpackCasting(whole, k));
  return whole;
}

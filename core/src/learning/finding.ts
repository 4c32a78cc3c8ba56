import type { SymptomKind } from '../formats/vocabulary';
import type { Parted } from './adjustedOdds';
import type { Due } from './attributable';
import type { Level } from './logNames';
import { wilsonInterval, type RateInterval } from './wilsonInterval';

/** Batches with a fault among those looked at. */
export interface Share extends RateInterval {
  readonly k: number;
  readonly n: number;
}

/** How often a symptom shows, by kind or by pattern. */
export interface SymptomRate extends Share {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
}

/** A group of batches in which a fault shows oftener than chance would have it. */
export interface Finding {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
  readonly factor: Level['factor'];
  readonly level: string;
  readonly with: Share;
  /** The other batches of the same products. */
  readonly without: Share;
  /** Fisher's exact test, and the same after Benjamini and Hochberg. */
  readonly p: number;
  readonly adjustedP: number;
  readonly parted: Parted;
  /** Other names of the same batches. */
  readonly same: readonly Level[];
  /** Whether its odds stay above even once what travels with it has had its part. */
  readonly independent: boolean;
  /** What it cannot be parted from, where it does not stand by itself. */
  readonly confoundedWith: Level | null;
  readonly small: boolean;
  /** Whether a studio can act on it. */
  readonly actionable: boolean;
  /** What of the fault is due to it, and what acting on it would save. */
  readonly due: Due;
  readonly says: string;
}

/** A question that was not answered yes, and how large a difference this log would have found. */
export interface Unanswered {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
  readonly factor: Level['factor'];
  readonly level: string;
  readonly with: Share;
  readonly without: Share;
  /** The smallest rate that would have been found four times in five; null where none would. */
  readonly wouldFind: number | null;
}

export interface Patterns {
  readonly batches: number;
  readonly castings: number;
  /** Castings that somebody looked at. */
  readonly looked: number;
  readonly questions: number;
  readonly rates: readonly SymptomRate[];
  readonly findings: readonly Finding[];
  /** Questions not answered yes, and of those the ones that would have found the least. */
  readonly unansweredCount: number;
  readonly unanswered: readonly Unanswered[];
}

/** A share with its interval, as wide as so many independent castings would make it. */
export const share = (k: number, n: number, effect = 1): Share => {
  const { low, high } = wilsonInterval(k / effect, n / effect);
  return { k, n, rate: n === 0 ? 0 : k / n, low, high };
};
export const split = (key: string) => {
  const [kind, pattern] = key.split('/');
  return { kind: kind as SymptomKind, pattern: pattern ?? null };
};

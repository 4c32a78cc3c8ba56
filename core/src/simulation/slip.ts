import type { Product } from '../formats/product';
import type { History } from '../diagnosis/caseFacts';
import type { SymptomKind } from '../formats/vocabulary';
import type { Chance } from './chance';

/** Fields of a batch, section by section, laid over a sound one. */
export type Patch = Record<string, unknown>;

/** What a made-up studio did wrong: the record it leaves, what earlier batches would tell, and when it was seen. */
export interface Slipped {
  readonly patch: Patch;
  readonly history?: History;
  readonly afterH?: number;
}

/** The batch that a slip is made in. */
export interface SlipScene {
  readonly chance: Chance;
  readonly card: Product;
  readonly seen: { readonly kind: SymptomKind; readonly pattern: string };
  /** Mixed mass and when it gels, of the sound batch. */
  readonly totalG: number;
  readonly gelMin: number | null;
  readonly startedAt: string;
}

/** Makes the slip, or null where it cannot happen with this card. */
export type Slip = (scene: SlipScene) => Slipped | null;

export const only = (patch: Patch): Slipped => ({ patch });
export const given = <T>(value: T | null | undefined, then: (v: T) => Slipped | null): Slipped | null =>
  value == null ? null : then(value);

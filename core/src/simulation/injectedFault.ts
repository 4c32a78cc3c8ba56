import type { Product } from '../formats/product';
import type { History } from '../diagnosis/caseFacts';
import type { SymptomKind } from '../formats/vocabulary';
import type { Chance } from './chance';

/** Fields of a batch, section by section, laid over a sound one. */
export type Patch = Record<string, unknown>;

/** What a made-up studio did wrong: the record it leaves, what earlier batches would tell, and when it was seen. */
export interface InjectedChange {
  readonly patch: Patch;
  readonly history?: History;
  readonly afterH?: number;
}

/** The batch that a fault is made in. */
export interface FaultScene {
  readonly chance: Chance;
  readonly card: Product;
  readonly seen: { readonly kind: SymptomKind; readonly pattern: string };
  /** Mixed mass and when it gels, of the sound batch. */
  readonly totalG: number;
  readonly gelMin: number | null;
  readonly startedAt: string;
}

/** Makes the fault, or null where it cannot happen with this card. */
export type InjectedFault = (scene: FaultScene) => InjectedChange | null;

export const only = (patch: Patch): InjectedChange => ({ patch });
export const given = <T>(value: T | null | undefined, then: (v: T) => InjectedChange | null): InjectedChange | null =>
  value == null ? null : then(value);

import type { Stage } from '../formats/vocabulary';

export type Patch = Record<string, unknown>;

/** One made-up batch: when it began, what was done otherwise than right, and how far it has come. */
export interface Story {
  readonly slug: string;
  readonly by: 'KO' | 'MT' | 'RV';
  /** Whole days before today and the time of day, or minutes before now. */
  readonly began: readonly [daysAgo: number, time: string] | { readonly minutesAgo: number };
  readonly totalG: number;
  /** Room at the bench that morning: °C, % RH. */
  readonly air: readonly [number, number];
  readonly mould?: readonly [code: string, pulls: number];
  /** Poured from the lot that was left open. */
  readonly forgottenLot?: boolean;
  readonly otherwise?: Patch;
  readonly checks?: Patch[];
  /** The stage it is at now; what comes after is not in the record yet. */
  readonly now?: Stage;
  readonly note?: string;
}

export const pass = (afterH: number, shore?: number): Patch => ({
  afterH,
  shore: shore ?? null,
  symptoms: [],
  grade: 'pass',
});
export const seen = (afterH: number, kind: string, pattern: string, severity: number, more: Patch = {}): Patch => ({
  afterH,
  symptoms: [{ kind, pattern, severity, where: 'whole cast' }],
  ...more,
});

/** The nick in the neck of the third finial of M-12, as it was marked on three pulls. */
export const nicked = (severity: number, dx: number): Patch => ({
  ...seen(24, 'bubbles', 'same-spot', severity, { grade: 'second', shore: 71, note: 'cavity 3, neck' }),
  spots: [{ cavity: 2, x: 0.62 + dx, y: 0.3 - dx / 2, kind: 'bubbles' }],
});
export const coatMend = (atH: number, pattern: string, steps: string[]): Patch => ({
  atH,
  doneH: atH + 0.7,
  kind: 'tacky',
  pattern,
  steps: steps.map((says) => ({ says, done: true })),
  recheckAfterH: 24,
  coat: { areaCM2: 320, thicknessMm: 1, massG: 41 },
  by: 'RV',
});

import { parseCastingName } from '../formats/codes';
import { codeFault } from '../formats/codes';
import type { Piece } from '../formats/piece';
import { sayMinutes } from '../units/wording';

export type Join = NonNullable<Piece['joins']>[number];
const MINUTE_MS = 60_000;

/** What is to be done about a joint, and when. */
export interface JoinDue {
  readonly join: number;
  readonly at: string;
  readonly says: string;
}

const partsWords = ({ parts }: Join) => parts.join(' and ');

/** When each joint of a piece may be let go of, and when it bears; nothing of those that were not made yet. */
export function joinsDue(piece: Pick<Piece, 'joins'>): JoinDue[] {
  return (piece.joins ?? []).flatMap((join, i): JoinDue[] => {
    if (join.joinedAt == null) return [];
    const at = (minutes: number) => new Date(Date.parse(join.joinedAt!) + minutes * MINUTE_MS).toISOString();
    return [
      ...(join.holdMin == null
        ? []
        : [
            { join: i, at: at(join.holdMin), says: `${partsWords(join)}: let go of it, gently; it does not bear yet.` },
          ]),
      ...(join.bearsAfterMin == null
        ? []
        : [{ join: i, at: at(join.bearsAfterMin), says: `${partsWords(join)}: the joint bears.` }]),
    ];
  });
}

/** What keeps a text from naming the parts of a joint, as a sentence; null where nothing does. */
export function partsFault(text: string): string | null {
  const parts = partsOf(text);
  if (parts.length < 2) return 'Name two castings or more, by commas: B-0431/k1, B-0431/k4.';
  for (const part of parts) {
    const { batch, casting } = parseCastingName(part);
    const fault = codeFault(batch) ?? (casting === null ? null : codeFault(casting));
    if (fault !== null) return `${part}: ${fault}`;
  }
  return new Set(parts).size < parts.length ? 'A casting is named twice.' : null;
}

/** The castings that a text names. */
export const partsOf = (text: string): string[] =>
  text
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean);

/** How a joint is made, in the order it is done. */
export function joinSteps(resin: string, holdMin: number | null, bearsAfterMin: number | null): string[] {
  return [
    'Sand both faces to a key, wipe them, and let them dry.',
    'Fix the parts with a few dots of quick adhesive, so that nothing shifts.',
    `Bond them with ${resin}, weighed and mixed as for a casting, over the whole seam.`,
    holdMin === null
      ? 'Hold it until the card of the resin allows; it does not say when.'
      : `Hold it for ${sayMinutes(holdMin)}.`,
    bearsAfterMin === null
      ? 'Load it only when the resin is fully cured; its card does not say when.'
      : `Load it after ${sayMinutes(bearsAfterMin)}, when the resin is fully cured.`,
  ];
}

import type { Evidence, NeighbourKind, SymptomKind } from '@warm-jar/core';

type Query = Record<string, string>;

/** A cavity is called `2 of M-12`. */
const ofCavity = (value: string): Query => {
  const [cavity = '', mould = ''] = value.split(' of ');
  return { mould, cavity };
};
const gear = (value: string): Query => ({ gear: value });
const BY: Readonly<Record<NeighbourKind, (value: string) => Query>> = {
  lotA: (lot) => ({ lot }),
  lotB: (lot) => ({ lot }),
  mould: (mould) => ({ mould }),
  cavity: ofCavity,
  day: (day) => ({ from: day, to: day }),
  scale: gear,
  device: gear,
  vessel: gear,
  person: (by) => ({ by }),
};

/** What the log is asked for the castings that speak; nothing where no casting does. */
export function neighbourQuery({ neighbours }: Evidence, product?: string, kind?: SymptomKind): Query | null {
  if (!neighbours?.value) return null;
  return {
    ...BY[neighbours.by](neighbours.value),
    ...(product ? { product } : {}),
    ...(kind ? { symptom: kind } : {}),
  };
}

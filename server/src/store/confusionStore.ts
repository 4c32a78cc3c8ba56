import { CAUSE_IDS, type CauseId } from '@warm-jar/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { createEmptyCard, fsrs, Rating, State, type Card, type Grade } from 'ts-fsrs';
import { z } from 'zod';
import type { Database } from './database';

/** Two causes that somebody took for each other, and when that comes back. */
export interface Confusion {
  readonly cause: CauseId;
  readonly takenFor: CauseId;
  readonly due: string;
}

/** How well a cause was told this time. */
export interface Telling {
  /** What it was, and what it could be taken for here. */
  readonly truth: CauseId;
  readonly among: readonly CauseId[];
  /** Sureness of what it was, 0 to 1, and what somebody was surer of; null where of nothing. */
  readonly share: number;
  readonly takenFor: CauseId | null;
}

export interface ConfusionStore {
  /** Remembers what was confused, and moves on what was told. @returns when the next of it comes back; null for none */
  readonly answered: (person: string, telling: Telling, transaction: Transaction) => Promise<string | null>;
  readonly all: (person: string) => Promise<Confusion[]>;
  /** What is due by now, the longest due first. */
  readonly due: (person: string) => Promise<Confusion[]>;
}

interface Row {
  readonly cause: string;
  readonly taken_for: string;
  readonly due: string;
  readonly card: string;
}

/** Spaced by days, never by minutes, and without chance, so that the same answers come back on the same days. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

/** A cause is told easily, well, or hardly from so much sureness on. */
const [EASILY, WELL, HARDLY] = [0.85, 0.5, 0.3];
function gradeOf(share: number): Grade {
  if (share >= EASILY) return Rating.Easy;
  if (share >= WELL) return Rating.Good;
  return share >= HARDLY ? Rating.Hard : Rating.Again;
}

/** A card of the scheduler as it is kept; one that cannot be read begins anew. */
const cardSchema = z.looseObject({
  due: z.coerce.date(),
  stability: z.number(),
  difficulty: z.number(),
  elapsed_days: z.number(),
  scheduled_days: z.number(),
  learning_steps: z.number(),
  reps: z.number(),
  lapses: z.number(),
  state: z.nativeEnum(State),
  last_review: z.coerce.date().optional(),
});

function cardOf(text: string | undefined, now: Date): Card {
  try {
    const read = cardSchema.safeParse(JSON.parse(text ?? 'null'));
    return read.success ? (read.data as Card) : createEmptyCard(now);
  } catch {
    return createEmptyCard(now);
  }
}

/** The card after a review; one in a state that no review leaves begins anew. */
function reviewed(text: string | undefined, at: Date, grade: Grade): Card {
  try {
    return scheduler.next(cardOf(text, at), at, grade).card;
  } catch {
    return scheduler.next(createEmptyCard(at), at, grade).card;
  }
}

const isCause = (id: string): id is CauseId => (CAUSE_IDS as readonly string[]).includes(id);
const isPair = (row: Row, a: string, b: string) =>
  (row.cause === a && row.taken_for === b) || (row.cause === b && row.taken_for === a);

export function confusionStore({ sequelize }: Database, now: () => Date): ConfusionStore {
  const rowsOf = (person: string, transaction?: Transaction) =>
    sequelize.query<Row>('SELECT cause, taken_for, due, card FROM drill_confusions WHERE person = ? ORDER BY due', {
      replacements: [person],
      type: QueryTypes.SELECT,
      ...(transaction ? { transaction } : {}),
    });
  async function review(
    person: string,
    pair: { readonly cause: string; readonly takenFor: string; readonly card?: string },
    grade: Grade,
    transaction: Transaction,
  ): Promise<string> {
    const at = now();
    const card = reviewed(pair.card, at, grade);
    const due = new Date(card.due).toISOString();
    await sequelize.query(
      `INSERT INTO drill_confusions (person, cause, taken_for, due, card) VALUES (?, ?, ?, ?, ?)
       ON CONFLICT (person, cause, taken_for) DO UPDATE SET due = excluded.due, card = excluded.card`,
      { replacements: [person, pair.cause, pair.takenFor, due, JSON.stringify(card)], transaction },
    );
    return due;
  }
  const known = (rows: readonly Row[]): Confusion[] =>
    rows.flatMap(({ cause, taken_for: takenFor, due }) =>
      isCause(cause) && isCause(takenFor) ? [{ cause, takenFor, due }] : [],
    );
  return {
    answered: async (person, { truth, among, share, takenFor }, transaction) => {
      const rows = await rowsOf(person, transaction);
      const confused = share < WELL && takenFor !== null && takenFor !== truth;
      const touched = rows.filter((r) =>
        confused ? isPair(r, truth, takenFor) : among.some((id) => isPair(r, truth, id)),
      );
      if (touched.length === 0 && confused)
        return review(person, { cause: truth, takenFor }, Rating.Again, transaction);
      const dues: string[] = [];
      for (const row of touched) {
        const pair = { cause: row.cause, takenFor: row.taken_for, card: row.card };
        dues.push(await review(person, pair, confused ? Rating.Again : gradeOf(share), transaction));
      }
      return dues.sort()[0] ?? null;
    },
    all: async (person) => known(await rowsOf(person)),
    due: async (person) => known(await rowsOf(person)).filter((c) => c.due <= now().toISOString()),
  };
}

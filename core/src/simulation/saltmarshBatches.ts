import { batchSchema, type Batch } from '../formats/batch';
import { STAGES, type Stage } from '../formats/vocabulary';
import { EARLIER_STORIES } from './earlierStories';
import { RECENT_STORIES } from './recentStories';
import type { Patch, Story } from './saltmarshStory';
import { saltmarshCard } from './saltmarshCards';
import { saltmarshLot } from './saltmarshShelf';
import { overlay, soundBatch } from './soundBatch';

/** Thirty-nine batches of the last weeks. Sixteen show a fault; twelve are in work or to be mended. */
const STORIES: readonly Story[] = [...EARLIER_STORIES, ...RECENT_STORIES];

/** Code of the oldest of them; the studio has a past. */
export const FIRST_CODE = 387;
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

const isoDay = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const isoMoment = (ms: number) => new Date(ms).toISOString().replace(/\.\d{3}Z$/, '+00:00');

function beganAt({ began }: Story, now: Date): number {
  if ('minutesAgo' in began) return now.getTime() - began.minutesAgo * MINUTE_MS;
  const [daysAgo, time] = began;
  return Date.parse(`${isoDay(now.getTime() - daysAgo * DAY_MS)}T${time}:00Z`);
}

/** Takes out of a whole record what comes at or after a stage: it has not happened yet. */
function cutAt(stage: Stage | undefined): Patch {
  if (!stage) return {};
  const at = STAGES.indexOf(stage);
  const notYet: [Stage, Patch][] = [
    ['mix', { mix: { stirMin: null, scrapedWalls: null, secondCup: null } }],
    ['clear', { degas: { minutes: null }, resin: { atPourC: null } }],
    [
      'pour',
      { pour: { startedMin: null, finishedMin: null, depthMm: null, tilted: null, fast: null, scrapedCup: null } },
    ],
    ['press', { pressure: { releasedMin: null } }],
    ['watch', { cure: { demouldedMin: null, lightMJPerCM2: null } }],
  ];
  const cut = notYet
    .filter(([s]) => STAGES.indexOf(s) >= at)
    .reduce<Patch>((all, [, patch]) => overlay(all, patch), {});
  return at <= STAGES.indexOf('pour') ? overlay(cut, { pressure: null, cure: null, checks: [] }) : cut;
}

function batchOf(story: Story, index: number, now: Date): Batch {
  const startMs = beganAt(story, now);
  const card = saltmarshCard(story.slug);
  const lot = (part: 'A' | 'B') => {
    const { code, openedOn, useBy, colour } = saltmarshLot(story.slug, part, now, story.forgottenLot) ?? {};
    return { code, openedOn, useBy, colour };
  };
  const [roomC, humidityPct] = story.air;
  const base: Patch = {
    code: `B-${String(FIRST_CODE + index).padStart(4, '0')}`,
    startedAt: isoMoment(startMs),
    by: story.by,
    lotA: lot('A'),
    lotB: card.family === 'uv-acrylate' ? null : lot('B'),
    room: { temperatureC: roomC, humidityPct },
    cure: { temperatureC: roomC },
    mould: story.mould ? { code: story.mould[0], pulls: story.mould[1] } : {},
    checks: story.checks ?? [],
    note: story.note ?? '',
  };
  const whole = overlay(base, story.otherwise ?? {});
  return roundFigures(soundBatch(story.slug, overlay(whole, cutAt(story.now)), story.totalG));
}

/** Figures as a scale, a clock and a thermometer give them. */
function roundFigures(batch: Batch): Batch {
  const tenth = (key: string, value: unknown) =>
    typeof value === 'number' && /(Min|C|G|Mm|amountA|amountB|minutes|KPaAbs)$/.test(key)
      ? Math.round(value * 10) / 10
      : value;
  return batchSchema.parse(JSON.parse(JSON.stringify(batch, tenth)));
}

/**
 * Thirty-nine batches of the demo studio over the last weeks: a third with a
 * fault, some in work. The same for the same `now`.
 * @param now moment that "today" and the batches in work are counted from
 */
export function saltmarshBatches(now: Date): Batch[] {
  return STORIES.map((story, index) => batchOf(story, index, now));
}

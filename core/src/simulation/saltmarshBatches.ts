import { batchSchema, type Batch } from '../formats/batch';
import { STAGES, type Stage } from '../planning/stage';
import { saltmarshCard } from './saltmarshCards';
import { saltmarshLot } from './saltmarshShelf';
import { overlay, soundBatch } from './soundBatch';

type Patch = Record<string, unknown>;

/** One made-up batch: when it began, what was done otherwise than right, and how far it has come. */
interface Story {
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

const pass = (afterH: number, shore?: number): Patch => ({ afterH, shore: shore ?? null, symptoms: [], grade: 'pass' });
const seen = (afterH: number, kind: string, pattern: string, severity: number, more: Patch = {}): Patch => ({
  afterH,
  symptoms: [{ kind, pattern, severity, where: 'whole cast' }],
  ...more,
});

/** The nick in the neck of the third finial of M-12, as it was marked on three pulls. */
const nicked = (severity: number, dx: number): Patch => ({
  ...seen(24, 'bubbles', 'same-spot', severity, { grade: 'second', shore: 71, note: 'cavity 3, neck' }),
  spots: [{ cavity: 2, x: 0.62 + dx, y: 0.3 - dx / 2, kind: 'bubbles' }],
});
const coatMend = (atH: number, pattern: string, steps: string[]): Patch => ({
  atH,
  doneH: atH + 0.7,
  kind: 'tacky',
  pattern,
  steps: steps.map((says) => ({ says, done: true })),
  recheckAfterH: 24,
  coat: { areaCM2: 320, thicknessMm: 1, massG: 41 },
  by: 'RV',
});

/** Thirty-nine batches of the last weeks, most of them oldest first. Fifteen show a fault; twelve are in work or to be mended. */
const STORIES: readonly Story[] = [
  {
    slug: 'house-clear-6',
    by: 'MT',
    began: [44, '09:30'],
    totalG: 273,
    air: [21.0, 55],
    mould: ['M-12', 11],
    checks: [nicked(1, 0)],
    note: 'finials; one with a bubble in the neck',
  },
  {
    slug: 'house-clear-6',
    by: 'KO',
    began: [40, '13:20'],
    totalG: 273,
    air: [22.1, 53],
    mould: ['M-12', 12],
    checks: [nicked(2, 0.02)],
    note: 'finials',
  },
  {
    slug: 'house-coat-9',
    by: 'RV',
    began: [38, '10:15'],
    totalG: 130,
    air: [21.7, 58],
    otherwise: {
      mould: null,
      pour: { scrapedCup: true },
      mends: [
        coatMend(27, 'sticky-spots', ['Scraped what was runny.', 'Fresh coat over it.']),
        coatMend(53, 'sticky-spots', [
          'Coat taken off again to sound resin, left bare and warm for a day.',
          'Sanded, wiped, fresh coat of a new lot.',
        ]),
      ],
    },
    checks: [
      seen(26, 'tacky', 'sticky-spots', 3, { grade: 'mend' }),
      seen(52, 'tacky', 'sticky-spots', 2, { grade: 'mend', note: 'still sticky at the edge' }),
      { afterH: 79, symptoms: [], grade: 'second', note: 'dry everywhere' },
    ],
    note: 'coat on the harbour sign',
  },
  {
    slug: 'house-clear-6',
    by: 'MT',
    began: [37, '09:05'],
    totalG: 273,
    air: [20.7, 56],
    mould: ['M-12', 13],
    checks: [nicked(2, -0.015)],
    note: 'finials',
  },
  {
    slug: 'house-mould-p',
    by: 'KO',
    began: [34, '09:10'],
    totalG: 640,
    air: [19.5, 61],
    otherwise: { mould: null },
    checks: [pass(30, 28)],
    note: 'mould for lamp finials, four cavities',
  },
  {
    slug: 'house-deep-40',
    by: 'MT',
    began: [32, '10:25'],
    totalG: 1450,
    air: [20.1, 58],
    mould: ['M-03', 11],
    checks: [pass(120, 74), pass(260, 79)],
    note: 'backlit panel, brass turnings',
    otherwise: { inclusions: [{ what: 'brass turnings', kind: 'metal', sealed: true, treated: false }] },
  },
  {
    slug: 'house-clear-6',
    by: 'KO',
    began: [30, '08:50'],
    totalG: 273,
    air: [21.2, 55],
    mould: ['M-12', 14],
    checks: [pass(24, 71)],
    note: 'finials',
  },
  {
    slug: 'house-deep-40',
    by: 'RV',
    began: [29, '11:05'],
    totalG: 900,
    air: [19.4, 60],
    mould: ['M-05', 4],
    otherwise: { mix: { amountA: 600, amountB: 300 } },
    checks: [
      seen(96, 'soft', 'all-over', 3, { shore: 41 }),
      seen(200, 'soft', 'all-over', 3, { shore: 42, grade: 'scrap', note: 'bends by hand after eight days' }),
    ],
    note: 'switch plates',
  },
  {
    slug: 'house-chalk',
    by: 'MT',
    began: [27, '13:40'],
    totalG: 620,
    air: [18.2, 66],
    mould: ['M-21', 30],
    checks: [pass(48, 68)],
    note: 'house numbers',
  },
  {
    slug: 'house-tide',
    by: 'KO',
    began: [26, '09:30'],
    totalG: 310,
    air: [22.8, 52],
    mould: ['M-08', 9],
    checks: [pass(24, 80)],
    note: 'cabinet pulls',
  },
  {
    slug: 'house-coat-9',
    by: 'RV',
    began: [25, '14:15'],
    totalG: 120,
    air: [21.4, 57],
    otherwise: {
      mould: null,
      mix: { stirMin: 1.5, scrapedWalls: false },
      mends: [
        coatMend(28, 'sticky-spots', [
          'Sanded the sound resin around the spots.',
          'Wiped, scraped what was runny.',
          'Fresh, measured coat.',
        ]),
      ],
    },
    checks: [
      seen(26, 'tacky', 'sticky-spots', 2, { grade: 'mend', note: 'wet spots along the rim' }),
      { afterH: 74, symptoms: [], grade: 'second' },
    ],
    note: 'coat on oak pegs',
  },
  {
    slug: 'house-bone-3',
    by: 'MT',
    began: [24, '10:00'],
    totalG: 190,
    air: [20.6, 58],
    mould: ['M-17', 41],
    checks: [pass(20, 70)],
    note: 'coat pegs, hollow',
  },
  {
    slug: 'house-clear-6',
    by: 'KO',
    began: [22, '08:20'],
    totalG: 273,
    air: [17.4, 67],
    mould: ['M-12', 15],
    forgottenLot: true,
    otherwise: {
      mix: { tool: 'wood', stirMin: 1.2 },
      resin: { temperatureAC: 18.5, temperatureBC: 18, atPourC: 21 },
      cure: { temperatureC: 17.5 },
    },
    checks: [seen(24, 'bubbles', 'micro-throughout', 4, { shore: 68, grade: 'scrap' })],
    note: 'finials, amber; foggy with tiny bubbles',
  },
  {
    slug: 'house-shell',
    by: 'MT',
    began: [21, '15:20'],
    totalG: 85,
    air: [20.2, 60],
    otherwise: { mould: null },
    checks: [pass(48, 78)],
    note: 'top coat on pulls',
  },
  {
    slug: 'house-noon',
    by: 'RV',
    began: [20, '11:45'],
    totalG: 12,
    air: [20.5, 57],
    mould: ['M-30', 6],
    checks: [pass(2, 79)],
    note: 'fills in finials',
  },
  {
    slug: 'house-coat-9',
    by: 'KO',
    began: [19, '08:10'],
    totalG: 160,
    air: [15.2, 71],
    otherwise: {
      mould: null,
      resin: { temperatureAC: 16, temperatureBC: 16, atPourC: 17 },
      cure: { temperatureC: 15.5 },
    },
    checks: [
      seen(24, 'tacky', 'tacky-all-over', 3, { grade: 'mend', note: 'warmed for a day in the hot box' }),
      pass(50, 74),
    ],
    note: 'bench top trial panel',
  },
  {
    slug: 'house-deep-40',
    by: 'MT',
    began: [18, '09:55'],
    totalG: 2600,
    air: [22.5, 54],
    mould: ['M-06', 2],
    otherwise: { pour: { depthMm: 92 }, cure: { peakC: 88 } },
    checks: [seen(72, 'yellowing', 'centre-of-thick-section', 3, { shore: 72, grade: 'second', deltaB: 7.2 })],
    note: 'thick panel, poured at once',
  },
  {
    slug: 'house-clear-6',
    by: 'RV',
    began: [17, '09:40'],
    totalG: 182,
    air: [21.8, 54],
    mould: ['M-14', 22],
    checks: [pass(24, 72)],
    note: 'cabinet pulls',
  },
  {
    slug: 'house-tide',
    by: 'MT',
    began: [16, '14:00'],
    totalG: 260,
    air: [26.4, 49],
    mould: ['M-08', 10],
    otherwise: { mix: { amountA: 254, amountB: 9.4 }, cure: { temperatureC: 26.4, peakC: 134 } },
    checks: [seen(20, 'cracks', 'unspecified', 4, { grade: 'scrap' })],
    note: 'cabinet pulls; cracked across',
  },
  {
    slug: 'house-chalk',
    by: 'KO',
    began: [15, '10:35'],
    totalG: 540,
    air: [17.9, 68],
    mould: ['M-21', 31],
    checks: [pass(50, 69)],
    note: 'house numbers',
  },
  {
    slug: 'house-bone-3',
    by: 'RV',
    began: [14, '11:20'],
    totalG: 210,
    air: [18.9, 61],
    mould: ['M-17', 42],
    otherwise: { cure: { temperatureC: 18.9, demouldedMin: 9 } },
    checks: [seen(0.25, 'soft', 'thin-sections', 2, { grade: 'second', note: 'edges bent on demoulding' })],
    note: 'coat pegs',
  },
  {
    slug: 'house-clear-6',
    by: 'MT',
    began: [13, '13:15'],
    totalG: 420,
    air: [23.6, 53],
    mould: ['M-15', 7],
    otherwise: {
      pour: { startedMin: 4, finishedMin: 6.5 },
      degas: { method: 'none', minutes: 0, vacuumKPaAbs: null },
      pressure: { gaugeKPa: 340, startedMin: 8, reachedMin: 12, releasedMin: 150 },
    },
    checks: [seen(22, 'bubbles', 'micro-throughout', 3, { shore: 72, grade: 'second' })],
    note: 'plates; the small tank took its time',
  },
  {
    slug: 'house-coat-9',
    by: 'RV',
    began: [12, '15:05'],
    totalG: 120,
    air: [21.6, 57],
    otherwise: {
      copiedFrom: { code: 'B-0397', changes: [{ cause: 'under-mixed', says: 'Stirred 3.6 min, the walls scraped.' }] },
      mould: null,
    },
    checks: [pass(24, 76)],
    note: 'coat on switch plates',
  },
  {
    slug: 'house-noon-white',
    by: 'KO',
    began: [11, '10:10'],
    totalG: 8,
    air: [20.9, 56],
    mould: ['M-30', 7],
    checks: [pass(2, 77)],
    note: 'white dots in house numbers',
  },
  {
    slug: 'house-clear-6',
    by: 'KO',
    began: [10, '09:25'],
    totalG: 240,
    air: [21.5, 56],
    mould: ['M-14', 23],
    otherwise: { cure: { lightMJPerCM2: 2600 } },
    checks: [
      pass(24, 72),
      seen(190, 'yellowing', 'surface-exposed-to-light', 2, {
        deltaB: 4.1,
        grade: 'second',
        note: 'where the lamp stood for the fills',
      }),
    ],
    note: 'cabinet pulls',
  },
  {
    slug: 'house-mould-t',
    by: 'MT',
    began: [9, '16:00'],
    totalG: 800,
    air: [19.0, 62],
    otherwise: { mould: null },
    checks: [pass(70, 25)],
    note: 'mould for pegs',
  },
  {
    slug: 'house-coat-9',
    by: 'RV',
    began: [7, '08:35'],
    totalG: 150,
    air: [18.6, 64],
    otherwise: {
      mould: null,
      resin: { temperatureAC: 15, temperatureBC: 15, atPourC: 15.5 },
      degas: { method: null, minutes: null },
    },
    checks: [seen(24, 'bubbles', 'micro-throughout', 3, { grade: 'mend' })],
    note: 'coat over bladderwrack',
  },
  {
    slug: 'house-clear-6',
    by: 'MT',
    began: [5, '09:05'],
    totalG: 273,
    air: [20.8, 58],
    mould: ['M-12', 16],
    otherwise: {
      copiedFrom: { code: 'B-0399', changes: [{ cause: 'old-or-damp-lot', says: 'A fresh lot of both parts.' }] },
    },
    checks: [pass(24, 71)],
    note: 'finials',
  },
  {
    slug: 'house-deep-40',
    by: 'KO',
    began: [3, '10:45'],
    totalG: 1300,
    air: [19.8, 59],
    mould: ['M-03', 12],
    now: 'check',
    otherwise: { cure: { temperatureC: 19.8, demouldedMin: 3900 } },
    note: 'backlit panel with cork',
  },
  {
    slug: 'house-chalk',
    by: 'RV',
    began: [1, '15:30'],
    totalG: 560,
    air: [18.4, 65],
    mould: ['M-21', 32],
    now: 'check',
    note: 'house numbers, drying',
  },
  {
    slug: 'house-deep-40',
    by: 'MT',
    began: { minutesAgo: 410 },
    totalG: 1100,
    air: [20.3, 57],
    mould: ['M-05', 5],
    now: 'watch',
    note: 'switch plates, second go',
    otherwise: {
      copiedFrom: { code: 'B-0394', changes: [{ cause: 'ratio-off', says: 'Weighed by the card: 100 to 44.' }] },
      readings: [
        { atMin: 180, what: 'surface', value: 26.4, unit: 'C' },
        { atMin: 300, what: 'surface', value: 31.5, unit: 'C' },
      ],
    },
  },
  {
    slug: 'house-clear-6',
    by: 'RV',
    began: { minutesAgo: 44 },
    totalG: 273,
    air: [19.9, 59],
    mould: ['M-12', 17],
    otherwise: { copiedFrom: { code: 'B-0414', changes: [{ says: 'Vacuum a minute longer.' }] } },
    now: 'press',
    note: 'finials',
  },
  {
    slug: 'house-coat-9',
    by: 'KO',
    began: { minutesAgo: 13 },
    totalG: 150,
    air: [20.4, 60],
    otherwise: { mould: null },
    now: 'pour',
    note: 'coat on oak pegs',
  },
  {
    slug: 'house-deep-40',
    by: 'RV',
    began: { minutesAgo: 4 },
    totalG: 720,
    air: [20.4, 60],
    mould: ['M-06', 3],
    now: 'mix',
    note: 'panel, first of two pours',
  },
  {
    slug: 'house-coat-9',
    by: 'RV',
    began: [6, '11:10'],
    totalG: 130,
    air: [21.2, 57],
    otherwise: {
      mould: null,
      layerBelow: {
        productSlug: 'house-chalk',
        family: 'mineral-acrylic',
        poured: 'B-0406',
        hoursSince: 26,
        sanded: true,
        massLossPct: 1.9,
      },
    },
    checks: [
      pass(24, 76),
      seen(92, 'bulge', 'unspecified', 3, { grade: 'mend', note: 'lifts over the chalk, towards the middle' }),
    ],
    note: 'coat over chalk numbers',
  },
  {
    slug: 'house-shell',
    by: 'KO',
    began: [1, '10:20'],
    totalG: 84,
    air: [20.6, 60],
    otherwise: { mould: null },
    now: 'check',
    note: 'top coat on pulls',
  },
  {
    slug: 'house-mould-p',
    by: 'MT',
    began: { minutesAgo: 190 },
    totalG: 620,
    air: [20.1, 58],
    otherwise: { mould: null },
    now: 'watch',
    note: 'new mould for cabinet pulls',
  },
  {
    slug: 'house-chalk',
    by: 'RV',
    began: { minutesAgo: 95 },
    totalG: 580,
    air: [19.6, 60],
    mould: ['M-21', 33],
    now: 'watch',
    note: 'house numbers',
  },
  {
    slug: 'house-tide',
    by: 'KO',
    began: { minutesAgo: 52 },
    totalG: 280,
    air: [20.9, 57],
    mould: ['M-08', 11],
    now: 'watch',
    note: 'cabinet pulls',
  },
];

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

function tell(story: Story, index: number, now: Date): Batch {
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
 * Thirty-nine batches of the demo studio over the last weeks: a third with a fault, some in work. The same for the same `now`.
 * @param now moment that "today" and the batches in work are counted from
 */
export function saltmarshBatches(now: Date): Batch[] {
  return STORIES.map((story, index) => tell(story, index, now));
}

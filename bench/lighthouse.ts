import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { launch } from 'chrome-launcher';
import lighthouse, { desktopConfig, type Config, type Flags } from 'lighthouse';
import { throttling } from 'lighthouse/core/config/constants.js';
import { startApplication } from '../e2e/src/application';

/** A view that is held to a score: on a desk, and on a phone. */
interface Held {
  readonly name: string;
  readonly path: string;
  readonly desktop: number;
  readonly phone: number;
}

const VIEWS: readonly Held[] = [
  { name: 'Today', path: '/', desktop: 95, phone: 85 },
  { name: 'Plan', path: '/plan?product=house-clear-6&mould=M-08', desktop: 95, phone: 75 },
  { name: 'Log', path: '/batches', desktop: 95, phone: 75 },
  { name: 'Bench', path: '/batches/B-0421/bench', desktop: 95, phone: 85 },
  { name: 'Diagnosis', path: '/batches/B-0399/diagnosis', desktop: 95, phone: 75 },
  { name: 'Patterns', path: '/patterns', desktop: 95, phone: 75 },
];
const CATEGORIES = ['performance', 'accessibility', 'best-practices'] as const;
type Category = (typeof CATEGORIES)[number];

const CHROMIUM_FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** What one look at a page found. */
interface Look {
  readonly scores: Readonly<Record<Category, number>>;
  readonly shift: number;
  readonly longestTaskMs: number;
  readonly firstPaintMs: number;
  /** How soon most of it stands. */
  readonly speedMs: number;
  readonly paintMs: number;
  readonly blockedMs: number;
  readonly sentKB: number;
  /** How fast this machine was just then, by the tool's own measure: a quiet desk of today has 1 500. */
  readonly index: number;
}

const middle = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** How much slower than this machine a preset has its processor, and how its network is. */
const PRESETS = { desktop: throttling.desktopDense4G, phone: throttling.mobileSlow4G } as const;

/**
 * How a page is looked at.
 * @param faster by how much this machine is faster just now than one that the preset is meant for: a neighbour on it
 * makes it slower, and then the page is to be made less slow
 */
function settingsOf(phone: boolean, faster: number): Config {
  const preset = PRESETS[phone ? 'phone' : 'desktop'];
  const slowed = { ...preset, cpuSlowdownMultiplier: preset.cpuSlowdownMultiplier * faster };
  return {
    ...(phone ? { extends: 'lighthouse:default' } : desktopConfig),
    settings: {
      ...(phone ? {} : desktopConfig.settings),
      throttling: slowed,
    },
  };
}

async function look(url: string, phone: boolean, faster: number): Promise<Look> {
  const profile = mkdtempSync(join(tmpdir(), 'warm-jar-lighthouse-'));
  const chrome = await launch({
    chromePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    chromeFlags: CHROMIUM_FLAGS,
    userDataDir: profile,
    logLevel: 'silent',
  });
  try {
    const flags: Flags = { port: chrome.port, onlyCategories: [...CATEGORIES], logLevel: 'silent' };
    const result = await lighthouse(url, flags, settingsOf(phone, faster));
    if (!result) throw new Error(`No answer for ${url}.`);
    const { categories, audits, runtimeError, environment } = result.lhr;
    if (runtimeError) throw new Error(`${url}: ${runtimeError.message}`);
    const number = (id: string) => audits[id]?.numericValue ?? Number.NaN;
    const tasks = (audits['long-tasks']?.details as { items?: { duration: number }[] } | undefined)?.items ?? [];
    return {
      scores: Object.fromEntries(CATEGORIES.map((c) => [c, 100 * (categories[c]?.score ?? 0)])) as Look['scores'],
      shift: number('cumulative-layout-shift'),
      longestTaskMs: Math.max(0, ...tasks.map((t) => t.duration)),
      firstPaintMs: number('first-contentful-paint'),
      speedMs: number('speed-index'),
      paintMs: number('largest-contentful-paint'),
      blockedMs: number('total-blocking-time'),
      sentKB: number('total-byte-weight') / 1000,
      index: environment.benchmarkIndex,
    };
  } finally {
    chrome.kill();
    rmSync(profile, { recursive: true, force: true });
  }
}

/**
 * Looks at each of some views so many times, on a desk and on a phone, and prints the medians.
 * @param as index of the machine that the pages are to be looked at on; null for this one, as fast as it is just then
 * @returns what is under its mark
 */
async function printLighthouse(views: readonly Held[], times: number, as: number | null): Promise<readonly string[]> {
  const application = await startApplication({ demo: true });
  const under: string[] = [];
  // The first look wakes the server too, and is not told.
  let { index } = await look(application.address, false, 1);
  console.log(
    '| view | preset | performance | accessibility | best practices | shift | first paint, ms | speed, ms | largest paint, ms | blocked, ms | longest task, ms | sent, kB | index |',
  );
  console.log(`|${'---|'.repeat(13)}`);
  try {
    for (const view of views)
      for (const phone of [false, true]) {
        const looks: Look[] = [];
        for (let i = 0; i < times; i += 1) {
          const found = await look(`${application.address}${view.path}`, phone, as === null ? 1 : index / as);
          ({ index } = found);
          looks.push(found);
        }
        const of = (pick: (l: Look) => number) => middle(looks.map(pick));
        const scores = CATEGORIES.map((c) => Math.round(of((l) => l.scores[c])));
        const shift = of((l) => l.shift);
        console.log(
          `| ${[view.name, phone ? 'phone' : 'desktop', ...scores, shift.toFixed(3), ...[of((l) => l.firstPaintMs), of((l) => l.speedMs), of((l) => l.paintMs), of((l) => l.blockedMs), of((l) => l.longestTaskMs), of((l) => l.sentKB), of((l) => l.index)].map((v) => v.toFixed(0))].join(' | ')} |`,
        );
        const asked = [phone ? view.phone : view.desktop, 100, 100];
        CATEGORIES.forEach((c, i) => {
          if (scores[i]! < asked[i]!)
            under.push(`${view.name}, ${phone ? 'phone' : 'desktop'}: ${c} ${scores[i]} of ${asked[i]}`);
        });
        if (shift > MAX_SHIFT)
          under.push(`${view.name}, ${phone ? 'phone' : 'desktop'}: shift ${shift.toFixed(3)} of ${MAX_SHIFT}`);
      }
  } finally {
    await application.stop();
  }
  return under;
}

/** The most that what stands on a page may move while it comes. */
const MAX_SHIFT = 0.02;

const [times, as] = process.argv.slice(2, 4).map(Number);
const names = process.argv.slice(4);
const views = VIEWS.filter(({ name }) => names.length === 0 || names.includes(name));
const under = await printLighthouse(views, times ?? 5, as ?? null);
console.log(under.length === 0 ? '\nall of them at their marks' : `\nunder their marks:\n${under.join('\n')}`);
process.exit(under.length === 0 ? 0 : 1);

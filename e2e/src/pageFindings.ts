import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect } from 'vitest';
import type { Bench } from './browser';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface AxeFinding {
  readonly id: string;
  readonly impact: string;
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[];
}

/**
 * What does not fit: things wider than the page, boxes that scroll sideways without a table in them, words cut off by
 * their own box. Run in the page; a line each.
 */
const MISFITS = `
  const wide = window.innerWidth;
  const name = (e) => e.tagName.toLowerCase() + (e.id ? '#' + e.id : '')
    + [...e.classList].slice(0, 3).map((c) => '.' + c).join('') + ' “' + (e.textContent || '').trim().slice(0, 40) + '”';
  const held = (e) => {
    for (let p = e.parentElement; p && p !== document.body; p = p.parentElement)
      if (getComputedStyle(p).overflowX !== 'visible' && p.getBoundingClientRect().right <= wide) return true;
    return false;
  };
  const found = [];
  if (document.documentElement.scrollWidth > wide) {
    found.push('the page is ' + document.documentElement.scrollWidth + ' wide in ' + wide);
    for (const e of document.body.querySelectorAll('*')) {
      const { right, width } = e.getBoundingClientRect();
      if (width > 0 && right > wide + 0.5 && !held(e) && ![...e.children].some((c) => c.getBoundingClientRect().right > wide + 0.5))
        found.push('past the edge: ' + name(e) + ' to ' + Math.round(right));
    }
  }
  for (const e of document.body.querySelectorAll('*')) {
    const s = getComputedStyle(e);
    if (e.clientWidth === 0 || s.visibility === 'hidden' || s.clipPath !== 'none') continue;
    const scrolls = s.overflowX === 'auto' || s.overflowX === 'scroll';
    if (scrolls && e.scrollWidth > e.clientWidth + 1 && !e.querySelector('table'))
      found.push('scrolls sideways: ' + name(e) + ' ' + e.scrollWidth + ' in ' + e.clientWidth);
    if (s.overflowX === 'hidden' && e.scrollWidth > e.clientWidth + 1 && e.textContent.trim() && !/^(SVG|G)$/i.test(e.tagName))
      found.push('cut off: ' + name(e) + ' ' + e.scrollWidth + ' in ' + e.clientWidth);
    if (s.overflowY === 'hidden' && e.scrollHeight > e.clientHeight + 3 && e.textContent.trim() && e.clientHeight > 0 && e !== document.body)
      found.push('cut off below: ' + name(e) + ' ' + e.scrollHeight + ' in ' + e.clientHeight);
  }
  return found.slice(0, 12);
`;

/** What on the page does not fit its width, a line each. */
export const misfits = (bench: Bench): Promise<string[]> => bench.driver.executeScript<string[]>(MISFITS);

/**
 * Everything axe finds on the page, minor things too, a line each.
 * @param contrast whether colours are measured too: the longest part by far
 */
export async function axeFindings(bench: Bench, { contrast = true } = {}): Promise<string[]> {
  await bench.driver.executeScript(`if (!window.axe) { ${AXE} }`);
  const findings = await bench.driver.executeAsyncScript<AxeFinding[]>(
    `const done = arguments[1];
     const rules = { 'color-contrast': { enabled: arguments[0] } };
     axe.run(document, { resultTypes: ['violations'], rules, preload: false, iframes: false })
       .then((r) => done(r.violations), (e) => done([{ id: String(e), impact: 'serious', nodes: [] }]));`,
    contrast,
  );
  const line = (f: AxeFinding) =>
    `${f.id} (${f.impact}): ${f.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary}`).join(' | ')}`;
  return findings.map(line);
}

/** A small phone, a phone, a bench tablet, a laptop, a wall of a screen; heights as such things have them. */
export const SIZES = [
  [320, 640],
  [390, 844],
  [820, 1180],
  [1280, 800],
  [1920, 1080],
] as const;

/** Colours follow the layout, of which there are two: a phone's, and a screen's. */
const CONTRAST_AT: readonly number[] = [390, 1280];

/** Lets what depends on the width settle: two frames, and what waits for the first of them. */
const settled = (bench: Bench) =>
  bench.driver.executeAsyncScript(
    'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 120)));',
  );

/**
 * All that axe goes by but colours and places: what is there, what of it is seen, what it says and what it is called.
 * Figures are all one: clocks go on.
 */
const SAID = `
  const told = /^(role|id|for|tabindex|href|alt|title|name|type|lang|scope|headers|disabled|hidden|autocomplete|list|aria-.*)$/;
  const scrolls = (e) => (e.scrollHeight > e.clientHeight + 1 || e.scrollWidth > e.clientWidth + 1) &&
    /auto|scroll/.test(getComputedStyle(e).overflow);
  return [...document.body.querySelectorAll('*')].map((e) => [
    e.tagName,
    e.checkVisibility({ visibilityProperty: true }),
    scrolls(e),
    ...[...e.attributes].filter((a) => told.test(a.name)).map((a) => a.name + '=' + a.value),
    ...[...e.childNodes].filter((n) => n.nodeType === 3).map((n) => n.data),
  ].join(' ')).join('\\n').replace(/\\d+/g, '0');
`;

/**
 * What is wrong with the page as it stands at every size, each line with its width: what does not fit, what axe finds.
 * Axe is asked again wherever something else is there, seen or said than where it was asked before.
 * @param axeAt widths at which axe is asked, one for each layout at least
 */
export async function wrongAt(bench: Bench, axeAt: readonly number[]): Promise<string[]> {
  const wrong: string[] = [];
  const asked = new Set<string>();
  // Where colours are measured first: what is there then is not asked about for the rest alone.
  const measured = SIZES.filter(([width]) => CONTRAST_AT.includes(width));
  for (const [width, height] of [...measured, ...SIZES.filter((size) => !measured.includes(size))]) {
    await bench.resize({ width, height });
    await settled(bench);
    const contrast = CONTRAST_AT.includes(width);
    const said = await bench.driver.executeScript<string>(SAID);
    const isAsked = axeAt.includes(width) && (contrast || !asked.has(said));
    const byAxe = isAsked ? await axeFindings(bench, { contrast }) : [];
    if (isAsked) asked.add(said);
    const found = [...(await misfits(bench)), ...byAxe];
    wrong.push(...found.map((line) => `${width}: ${line}`));
  }
  return wrong;
}

/** A view without a word in the console, that fits every size, and in which axe finds nothing, minor things too. */
export async function standsAtEverySize(
  bench: Bench,
  path: string,
  ready: string,
  axeAt: readonly number[] = SIZES.map(([width]) => width),
): Promise<void> {
  await bench.complaints();
  await bench.resize({ width: 1280, height: 800 });
  await bench.goOn(path);
  await bench.see(ready);
  expect(await wrongAt(bench, axeAt)).toEqual([]);
  expect(await bench.complaints()).toEqual([]);
}

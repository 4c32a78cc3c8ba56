import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

/** The six views that the work is done on, as a screen reader is given them. */
const VIEWS = [
  ['today', '/', '.bench'],
  ['plan', '/plan?product=house-clear-6&mould=M-08', '[data-test="mould"]'],
  ['bench', '/batches/B-0420/bench', '[data-test="step"]'],
  ['check', '/batches/B-0415/check', '.tile'],
  ['diagnosis', '/batches/B-0399/diagnosis', '.cause'],
  ['log', '/batches?product=house-clear-6&pageSize=25', 'tbody tr'],
] as const;

interface Node {
  readonly nodeId: string;
  readonly ignored: boolean;
  readonly role?: { readonly value: string };
  readonly name?: { readonly value: string };
  readonly childIds?: readonly string[];
  readonly properties?: readonly { readonly name: string; readonly value: { readonly value?: unknown } }[];
}

/** What is only how text is laid out, and says nothing of its own. */
const LAYOUT = new Set(['StaticText', 'InlineTextBox', 'LineBreak', 'none', 'generic', 'ListMarker', 'paragraph']);
/** States that are told with a name. */
const STATES = new Set(['level', 'pressed', 'checked', 'expanded', 'selected', 'disabled', 'invalid', 'live']);

/** A tree as an outline of roles, names and states: a line each. */
function outline(nodes: readonly Node[]): string {
  const byId = new Map(nodes.map((n) => [n.nodeId, n]));
  const lines: string[] = [];
  const walk = (node: Node, depth: number) => {
    const role = node.role?.value ?? '';
    const told = !node.ignored && !LAYOUT.has(role);
    const states = (node.properties ?? []).flatMap(({ name, value }) =>
      STATES.has(name) && value.value !== false && value.value !== 'false' ? [`${name}=${String(value.value)}`] : [],
    );
    if (told) lines.push(`${'  '.repeat(depth)}${[role, node.name?.value, ...states].filter(Boolean).join(' | ')}`);
    for (const id of node.childIds ?? []) {
      const child = byId.get(id);
      if (child) walk(child, depth + (told ? 1 : 0));
    }
  };
  if (nodes[0]) walk(nodes[0], 0);
  return `${lines.join('\n')}\n`;
}

let application: Application;
let bench: Bench;
beforeAll(async () => {
  // The studio's clock stands, so that nothing counts down while it is looked at.
  application = await startApplication({ demo: true, speed: 0 });
  bench = await Bench.open(application.address);
});
afterAll(async () => {
  await bench.close();
  await application.stop();
});

describe('what a screen reader is given', () => {
  it.each(VIEWS)('of %s is as it was kept', async (name, path, ready) => {
    await bench.go(path);
    await bench.see(ready);
    // Charts come as one nears them.
    await bench.driver.executeScript('window.scrollTo(0, document.body.scrollHeight)');
    await bench.driver.sleep(2_500);
    const { nodes } = await bench.ask<{ nodes: Node[] }>('Accessibility.getFullAXTree');
    await expect(outline(nodes)).toMatchFileSnapshot(`../kept/${name}.tree.txt`);
  });
  it.each(VIEWS)(
    'of %s has one main, one heading of the first level, and no level passed over',
    async (_n, path, ready) => {
      await bench.go(path);
      await bench.see(ready);
      const { nodes } = await bench.ask<{ nodes: Node[] }>('Accessibility.getFullAXTree');
      const told = nodes.filter((n) => !n.ignored);
      expect(told.filter((n) => n.role?.value === 'main')).toHaveLength(1);
      const levels = told
        .filter((n) => n.role?.value === 'heading')
        .map((n) => Number(n.properties?.find((p) => p.name === 'level')?.value.value));
      expect(levels.filter((l) => l === 1)).toHaveLength(1);
      levels.forEach((level, i) => expect(level).toBeLessThanOrEqual((levels[i - 1] ?? 1) + 1));
    },
  );
});

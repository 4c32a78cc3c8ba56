import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { saltmarshCard, toRow } from '@warm-jar/core';
import { By, Key } from 'selenium-webdriver';
import { afterAll, describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true });
const folder = mkdtempSync(join(tmpdir(), 'warm-jar-shelf-'));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

async function hand(name: string, content: string | Buffer, css = 'input[type="file"]'): Promise<void> {
  const file = join(folder, name);
  writeFileSync(file, content);
  await bench.driver.findElement(By.css(css)).sendKeys(file);
}
const field = (path: string) => `[data-path="${path}"] input`;
const box = (open: boolean) => {
  const p = (i: number) => [i & 1 ? 40 : 0, i & 2 ? 30 : 0, i & 4 ? 20 : 0].join(' ');
  const quads = [
    [0, 2, 3, 1],
    [4, 5, 7, 6],
    [0, 1, 5, 4],
    [2, 6, 7, 3],
    [0, 4, 6, 2],
    [1, 3, 7, 5],
  ] as const;
  const triangles = quads
    .flatMap(([a, b, c, d]) => [
      [a, b, c],
      [a, c, d],
    ])
    .slice(0, open ? 11 : 12);
  return `solid box\n${triangles.map((t) => `facet normal 0 0 0\nouter loop\n${t.map((i) => `vertex ${p(i!)}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid box\n`;
};

/** A 2×2 picture as PNG, made here. */
function picture(): Buffer {
  const crcOf = (bytes: Buffer) => {
    let c = ~0;
    for (const b of bytes) {
      c ^= b;
      for (let k = 0; k < 8; k += 1) c = c & 1 ? (c >>> 1) ^ 0xedb88320 : c >>> 1;
    }
    return ~c >>> 0;
  };
  const chunk = (type: string, body: Buffer) => {
    const head = Buffer.alloc(4);
    head.writeUInt32BE(body.length);
    const tail = Buffer.alloc(4);
    const named = Buffer.concat([Buffer.from(type), body]);
    tail.writeUInt32BE(crcOf(named));
    return Buffer.concat([head, named, tail]);
  };
  const header = Buffer.from([0, 0, 0, 2, 0, 0, 0, 2, 8, 2, 0, 0, 0]);
  const rows = Buffer.from([0, 200, 120, 30, 20, 90, 80, 0, 20, 90, 80, 200, 120, 30]);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

describe('product cards', () => {
  it('are changed as a new revision, after a contradiction was told at its field', async () => {
    await bench.go('/products/house-clear-6/edit');
    await bench.type(field('ratio.byVolume.b'), '99');
    await bench.read('the volume ratio is');
    await bench.tapWords('Save as the next revision');
    await expect.poll(() => bench.text('[data-path="ratio.byVolume.b"]')).toContain('One of the four figures is wrong');
    await bench.type(field('ratio.byVolume.b'), '88');
    await bench.type(field('exothermMaxC'), '95');
    await bench.type(field('source'), 'studio data sheet, rev. D');
    await bench.driver.navigate().refresh();
    await expect.poll(() => bench.valueOf(field('exothermMaxC'))).toBe('95');
    await bench.tapWords('Save as the next revision');
    await bench.read('revision 2, is on the shelf');
  });

  it('are told when their depth runs hotter than their own limit', async () => {
    await bench.go('/products/house-deep-40/edit');
    await bench.type(field('exothermMaxC'), '30');
    await bench.read('gets hotter than its own exotherm limit');
    await bench.type(field('exothermMaxC'), '65');
    await bench.driver.wait(async () => !(await bench.text('main')).includes('gets hotter than its own'), PATIENCE_MS);
  });

  it('are compared revision by revision, and a batch keeps the one it was made with', async () => {
    await bench.go('/products/house-clear-6/compare');
    await expect.poll(() => bench.text('[data-test="difference"]')).toContain('exothermMaxC, source');
    await expect.poll(() => bench.text('tr.differs')).toContain('100 °C or less');
    await bench.go('/batches/B-0399');
    await bench.read('Card revision 1');
  });

  it('are typed in from a data sheet, the other ratio worked out, and the gaps priced', async () => {
    await bench.go('/products/new');
    await bench.type(field('name'), 'House Test');
    await bench.type(field('slug'), 'house-test');
    await bench.pick('#f-family', 'epoxy');
    await bench.type(field('ratio.byWeight.a'), '100');
    await bench.type(field('ratio.byWeight.b'), '44');
    await bench.type(field('densityAGPerML'), '1.125');
    await bench.type(field('densityBGPerML'), '0.99');
    await bench.read('100 : 50 (computed)');
    await bench.read('A cold room is never flagged');
    await bench.tapWords('Save the card');
    await expect.poll(() => bench.text('[data-path="source"]')).toContain('Say where the figures come from');
    await bench.type(field('source'), 'bench notes');
    await bench.tapWords('Save the card');
    await bench.read('House Test, revision 1, is on the shelf');
    await bench.read('computed from the densities');
  });

  it('come in from a CSV with a preview, and go out as one', async () => {
    await bench.go('/products/import');
    await bench.see('main h1');
    const rows = [
      { ...saltmarshCard('house-tide'), exothermMaxC: 118 },
      { ...saltmarshCard('house-shell'), slug: 'house-odd', family: 'wax' },
    ].map((c) => toRow(c));
    const columns = [...new Set(rows.flatMap((r) => Object.keys(r)))];
    const quote = (cell: string) => `"${cell.replaceAll('"', '""')}"`;
    await hand(
      'cards.csv',
      [columns, ...rows.map((r) => columns.map((c) => r[c] ?? ''))].map((r) => r.map(quote).join(',')).join('\r\n'),
    );
    await expect.poll(() => bench.text('tr[data-action="next-revision"]')).toContain('exothermMaxC');
    await expect.poll(() => bench.text('tr[data-action="refused"]')).toContain('family');
    await bench.tapWords('Import 1, leave out 1');
    await bench.read('1 card is on the shelf');
    expect((await fetch(`${application.address}/api/v1/products/house-odd`)).status).toBe(404);
    expect(await (await fetch(`${application.address}/api/v1/products/house-tide`)).json()).toMatchObject({
      revision: 2,
      exothermMaxC: 118,
    });
  });
});

describe('moulds', () => {
  it('get their volume from a shape or a mesh, and refuse an open one', async () => {
    await bench.go('/moulds/M-12');
    await bench.see('.outline');
    await bench.tapWords('Shape', '.tool');
    for (const [key, mm] of [
      ['lengthMm', '100'],
      ['widthMm', '50'],
      ['depthMm', '20'],
    ] as const)
      await bench.type(`#v-${key}`, mm);
    await expect.poll(() => bench.text('[data-test="volume"]')).toBe('100 mL');
    await bench.tapWords('Mesh file', '.tool');
    await hand('open.stl', box(true), '.tool input[type="file"]');
    await bench.read('open.stl is not closed: 3 edges');
    await hand('letter.obj', 'Dear studio', '.tool input[type="file"]');
    await bench.read('neither an STL nor an OBJ');
    await hand('box.stl', box(false), '.tool input[type="file"]');
    await bench.read('surface 52 cm²');
    await expect.poll(() => bench.text('[data-test="volume"]')).toBe('24 mL');
    await bench.tapWords('Take it', '.tool');
    await expect.poll(() => bench.valueOf(field('cavities[0].volumeML'))).toBe('24');
  });

  it('are marked where a fault shows, photographed, and saved', async () => {
    await bench.tap('.cavity:nth-child(2) .outline');
    await bench.see('.cavity:nth-child(2) circle');
    await hand('mould.png', picture(), '.photo input[type="file"]');
    await bench.see('.photo img');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('M-12 is on the shelf');
    const stored = (await (await fetch(`${application.address}/api/v1/moulds/M-12`)).json()) as {
      photo: string;
      cavities: { volumeML: number; marks: unknown[] }[];
    };
    expect(stored.cavities[0]!.volumeML).toBe(24);
    expect(stored.cavities[1]!.marks).toHaveLength(1);
    const photo = await fetch(`${application.address}/api/v1/photos/${stored.photo}`);
    expect([photo.status, photo.headers.get('content-type')]).toEqual([200, 'image/jpeg']);
  });
});

describe('lots', () => {
  it('refuse what cannot be at its field, and lose nothing of it', async () => {
    await bench.go('/lots/new');
    await bench.type(field('code'), 'A-99');
    await bench.type(field('quantityG'), '-20');
    await bench.read('Must be more than 0 g');
    await bench.driver.navigate().refresh();
    await expect.poll(() => bench.valueOf(field('code'))).toBe('A-99');
    await bench.type(field('quantityG'), '90');
    await bench.pick('#f-productSlug', 'house clear 6');
    await bench.tapWords('A', '[data-path="part"]');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('A-99 is on the shelf');
  });

  it('say what speaks against them where they are chosen', async () => {
    await bench.go('/batches/new');
    await bench.pick('#product', 'House Clear 6');
    await bench.tapWords('Now');
    await bench.type(field('mix.amountA'), '150');
    await bench.pick('[aria-label="Lot of part A"]', 'A-99');
    await bench.read('90 g left, 150 g needed');
    await bench.pick('[aria-label="Lot of part B"]', 'B-52');
    await bench.read('the card allows 3 months');
    await bench.tap('#s-lots summary');
    await expect.poll(() => bench.valueOf(field('lotB.code'))).toBe('B-52');
    await expect
      .poll(async () => (await bench.see('[data-field="lotB.openedOn"]')).getAttribute('data-state'))
      .toBe('above');
  });

  it('make what a batch and a piece cost', async () => {
    await bench.go('/batches/B-0414');
    await bench.read('a piece of 5');
    await expect.poll(() => bench.text('[data-test="cost"]')).toMatch(/Resin for \d+\.\d\d, \d+\.\d\d a piece of 5/);
  });
});

describe("a vessel's rating", () => {
  it('stops the save, whatever else is right', async () => {
    await bench.go('/batches/new');
    await bench.pick('[aria-label="Vessel"]', 'the pot');
    await bench.type(field('pressure.gaugeKPa'), '410');
    await bench.read('the pot is rated to 400 kPa');
    await bench.tapWords('Save the batch');
    await bench.read('Not saved: the pot is rated to 400 kPa');
    await bench.type(field('pressure.gaugeKPa'), '345');
    await bench.tapWords('Save the batch');
    await bench.read('is in the log');
  });
});

describe('inclusions', () => {
  it('warn of a pair that went badly, where they are chosen', async () => {
    await bench.go('/batches/new');
    await bench.pick('#product', 'House Clear 6');
    await bench.pick('#s-inclusions [aria-label="Add from the shelf"]', 'bladderwrack');
    await bench.read('Went badly with House Clear 6 before');
  });
});

describe('finding', () => {
  it('is one box behind one key, and goes where it is told', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('/');
    await bench.see('[aria-label="Find"]');
    await bench.press('bladderwrack');
    await bench.read('I-02');
    await bench.press('finial');
    await bench.read('Nothing holds all of these words');
    await bench.type('[aria-label="Find"]', 'm-17');
    await bench.read('coat pegs');
    await bench.press(Key.ENTER);
    await bench.driver.wait(async () => (await bench.driver.getCurrentUrl()).endsWith('/moulds/M-17'), PATIENCE_MS);
    expect(await bench.complaints()).toEqual([]);
  });
});

describe('the files the shelf gives out', () => {
  it('hold every card', async () => {
    await bench.saveInto(folder);
    await bench.go('/products');
    await bench.tapWords('Export as CSV');
    const file = join(folder, 'warm-jar-products.csv');
    const text = await bench.driver.wait(() => {
      try {
        return readFileSync(file, 'utf8');
      } catch {
        return null;
      }
    }, PATIENCE_MS);
    expect(text!.split('\r\n')).toHaveLength(1 + 12);
    expect(text).toContain('ratio.byWeight.a');
  });
});

describe('additives and gear', () => {
  it('count drops by a weighing, and turn counted drops into grams on the log page', async () => {
    await bench.go('/additives/new');
    await bench.type(field('code'), 'C-20');
    await bench.type(field('name'), 'rust dye');
    await bench.pick('#f-kind', 'dye');
    await bench.type(field('drops.counted'), '50');
    await bench.type(field('drops.massG'), '1.25');
    await bench.read('one drop is 25 mg');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('C-20 is on the shelf');
    await bench.go('/batches/new');
    await bench.pick('#product', 'House Coat 9');
    await bench.type(field('mix.amountA'), '100');
    await bench.type(field('mix.amountB'), '86');
    await bench.pick('#s-colour [aria-label="Add from the shelf"]', 'rust dye');
    await bench.type(field('additives[0].drops'), '40');
    await bench.pick('#s-colour [aria-label^="rust dye: 40 drops"]', 'take 1 g');
    await expect.poll(() => bench.valueOf(field('additives[0].massG'))).toBe('1');
    await expect.poll(() => bench.text('[data-field="additives.dye.pct"]')).toContain('0.54 %');
  });

  it('ask of each kind of gear what it has, and of a vessel its rating first', async () => {
    await bench.go('/gear/new');
    await bench.type(field('code'), 'G-20');
    await bench.type(field('name'), 'second pot');
    await bench.pick('#f-kind', 'pressure vessel');
    await bench.type(field('freeL'), '9');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('Not saved yet');
    await expect.poll(async () => (await bench.see(field('ratedKPa'))).getAttribute('aria-invalid')).toBe('true');
    await bench.type(field('ratedKPa'), '420');
    await bench.read('Never above 420 kPa, whatever a card asks');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('G-20 is on the shelf');
    await bench.tapWords('Delete', 'form');
    await bench.tapWords('Delete', '[role="alertdialog"]');
    await bench.driver.wait(
      async () => (await fetch(`${application.address}/api/v1/gear/G-20`)).status === 404,
      PATIENCE_MS,
    );
  });
});

describe('two people at one shelf', () => {
  it('do not overwrite each other: the second is told, and both changes are kept', async () => {
    await bench.go('/inclusions/I-03');
    await bench.type(field('moisturePct'), '5');
    const stored = await fetch(`${application.address}/api/v1/inclusions/I-03`);
    const other = { ...((await stored.json()) as object), note: 'weighed at the other bench' };
    await fetch(`${application.address}/api/v1/inclusions/I-03`, {
      method: 'PUT',
      body: JSON.stringify(other),
      headers: { 'Content-Type': 'application/json', 'If-Match': stored.headers.get('etag')! },
    });
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('was changed on another screen');
    await expect.poll(() => bench.valueOf(field('moisturePct'))).toBe('5');
    await expect.poll(() => bench.valueOf(field('note'))).toBe('weighed at the other bench');
    await bench.tapWords('Save', '[data-test="item-actions"]');
    await bench.read('I-03 is on the shelf');
    const both = (await (await fetch(`${application.address}/api/v1/inclusions/I-03`)).json()) as object;
    expect(both).toMatchObject({ moisturePct: 5, note: 'weighed at the other bench' });
  });
});

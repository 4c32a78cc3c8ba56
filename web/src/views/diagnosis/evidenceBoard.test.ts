// @vitest-environment happy-dom
import { diagnose, limitReadings, saltmarshCard, soundBatch } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { mounted, type Mounted } from '../../testing/mounted';
import EvidenceBoard from './EvidenceBoard.vue';

let page: Mounted | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
async function board(record: Record<string, unknown>) {
  const card = saltmarshCard('house-clear-6');
  const batch = soundBatch('house-clear-6', {
    ...record,
    checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over' }] }],
  });
  const symptom = diagnose(card, batch).symptoms[0]!;
  page = await mounted(EvidenceBoard, { symptom, limits: limitReadings(card, batch) });
  return symptom;
}
const rows = () => [...page!.root.querySelectorAll('[data-row]')].map((r) => r.getAttribute('data-row'));
const causes = () => [...page!.root.querySelectorAll('[data-cause]')].map((r) => r.getAttribute('data-cause'));

describe('the board of evidence', () => {
  it('sets the record beside the causes, likeliest first', async () => {
    const symptom = await board({ room: { temperatureC: 14 }, cure: { temperatureC: 14 } });
    expect(causes()[0]).toBe(symptom.causes[0]!.id);
    expect(rows()).toContain('cure.temperatureC');
    expect(page!.text()).toContain('Why, likeliest first');
  });
  it('draws a reading as its strip and a word as a word', async () => {
    await board({ mix: { stirMin: 0.3, scrapedWalls: false } });
    expect(page!.root.querySelector('[data-row="mix.stirMin"] .strip')).not.toBeNull();
    expect(page!.root.querySelector('[data-row="mix.scrapedWalls"] .word')).not.toBeNull();
    expect(page!.text()).toContain('Wall and bottom scraped');
  });
  it('tells what lies outside the card and says little of this fault apart from the rest', async () => {
    await board({ pour: { depthMm: 400 }, mix: { stirMin: 0.3 } });
    const beside = page!.root.querySelector('details.beside');
    expect(beside?.textContent ?? '').toMatch(/more outside the card/);
    expect(rows()).not.toContain('pour.depthMm');
  });
  it('names each field as every other page does', async () => {
    await board({ room: { humidityPct: 90 }, cure: { temperatureC: 14 } });
    expect(page!.text()).toContain('Cure temperature');
  });
});

// @vitest-environment happy-dom
import { gearSchema } from '@warm-jar/core';
import { afterEach, describe, expect, it } from 'vitest';
import { mounted, pretendServer, tellPages, type Mounted } from '../../testing/mounted';
import GearPanel from './panels/GearPanel.vue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(device: 'simulated' | 'posts' | null, saved = true): Promise<Mounted> {
  const gear = gearSchema.parse({ format: 'warm-jar.gear/1', code: 'G-20', kind: 'scale', name: 'far scale', device });
  const listed = { code: 'G-20', name: 'far scale', kind: 'scale', standIn: device === 'simulated', stepG: null };
  pretendServer(({ path, method }) => {
    if (path === '/devices') return { body: { items: saved && device ? [{ ...listed, holder: null }] : [] } };
    if (path === '/tokens' && method === 'POST') return { status: 201, body: { id: 'a', token: 'wj_device_secret' } };
    return undefined;
  });
  page = await mounted(GearPanel, { document: gear, shelved: null });
  await page.settle();
  return page;
}
const tell = (values: object[] | null, more: object = {}) => {
  tellPages('reading', { code: 'G-20', at: '2026-03-14T09:00:00Z', values, says: null, holder: null, ...more });
};

describe('a piece of gear that is read', () => {
  it('shows nothing where it is not', async () => {
    expect((await open(null)).text()).toBe('');
  });
  it('asks to be saved first', async () => {
    expect((await open('posts', false)).text()).toContain('Save it, and its figures stand here.');
  });
  it('shows its figure, and that a stand-in makes it up', async () => {
    const { text, settle } = await open('simulated');
    tell([{ what: 'scale', value: 147.3, unit: 'g', settled: true }]);
    await settle();
    expect(text()).toContain('Simulated. Its figures are made up by the application.');
    expect(text()).toContain('147.3 g');
    expect(text()).not.toContain('token');
  });
  it('says what is the matter with one that does not do, and who has it', async () => {
    const { text, settle } = await open('posts');
    tell(null, { says: 'far scale has said nothing for 12 s.', holder: 'B-0007' });
    await settle();
    expect(text()).toContain('far scale has said nothing for 12 s.');
    expect(text()).toContain('At the bench of B-0007');
  });
  it('tells one that posts how to, and makes its token, which is shown once', async () => {
    const { text, settle, button } = await open('posts');
    expect(text()).toContain('/api/v1/devices/G-20/readings');
    expect(text()).toContain('"what":"scale"');
    button('Make its token').click();
    await settle();
    expect(text()).toContain('wj_device_secret');
  });
});

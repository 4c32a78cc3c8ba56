// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { hangUp, pretendServer, tellPages, used, type Used } from '../testing/mounted';
import { useDevices, type BenchDevices } from './devices';

const info = (code: string, kind: string, more: object = {}) => ({
  code,
  name: `the ${code}`,
  kind,
  standIn: true,
  stepG: kind === 'scale' ? 0.1 : null,
  holder: null,
  ...more,
});
const LIST = [info('G-01', 'scale'), info('G-13', 'scale'), info('G-04', 'vessel-gauge'), info('G-03', 'thermometer')];
const reading = (code: string, value: number | null, more: object = {}) => ({
  code,
  at: '2026-03-14T09:00:00Z',
  values: value === null ? null : [{ what: 'scale', value, unit: 'g', settled: true }],
  says: null,
  holder: null,
  ...more,
});

let page: Used<BenchDevices> | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(picked?: Parameters<typeof useDevices>[2]): Promise<BenchDevices> {
  pretendServer(({ path }) => (path === '/devices' ? { body: { items: LIST } } : undefined));
  page = await used(() => useDevices(ref('B-0001'), ['scale', 'vessel-gauge'], picked));
  return page.result;
}

describe('the devices of a screen', () => {
  it('are those of the kinds it asks for', async () => {
    const { known, ofKind } = await open();
    expect(known.value.map((d) => d.code)).toEqual(['G-01', 'G-13', 'G-04']);
    expect(ofKind('scale').map((d) => d.code)).toEqual(['G-01', 'G-13']);
  });
  it('show what they tell, with which device it is', async () => {
    const { shown } = await open();
    tellPages('reading', reading('G-01', 147.3));
    expect(shown('scale', 'scale')).toMatchObject({ value: 147.3, settled: true, silent: false, says: null });
    expect(shown('scale', 'scale')!.device).toMatchObject({ code: 'G-01', standIn: true });
    expect(shown('thermometer', 'resin')).toBeNull();
  });
  it('are the ones that were picked, and none where none was', async () => {
    const code = ref('G-13');
    const { shown, device } = await open((kind) => (kind === 'scale' ? code.value : ''));
    tellPages('reading', reading('G-01', 147.3));
    tellPages('reading', reading('G-13', 12.34));
    expect(shown('scale', 'scale')!.value).toBe(12.34);
    code.value = 'G-99';
    expect(device('scale')).toBeNull();
    expect(device('vessel-gauge')).toBeNull();
  });
  it('that are silent, slow or lying are told by what is the matter', async () => {
    const { shown } = await open();
    tellPages('reading', reading('G-01', null, { says: 'the G-01 takes too long to answer.' }));
    expect(shown('scale', 'scale')).toMatchObject({
      value: null,
      silent: true,
      says: 'the G-01 takes too long to answer.',
    });
  });
  it('show nothing while the page opens, and nobody is said to be away then', async () => {
    const { shown } = await open();
    expect(shown('scale', 'scale')).toMatchObject({ value: null, silent: false, says: null });
  });
  it('are not heard while the server is away', async () => {
    const { shown } = await open();
    tellPages('reading', reading('G-01', 147.3));
    hangUp();
    expect(shown('scale', 'scale')).toMatchObject({ value: null, silent: true });
    expect(shown('scale', 'scale')!.says).toContain('the server is away');
  });
  it('say which run has them', async () => {
    const { holderOf } = await open();
    expect(holderOf('G-01')).toBeNull();
    tellPages('reading', reading('G-01', 0, { holder: 'B-0007' }));
    expect(holderOf('G-01')).toBe('B-0007');
  });
});

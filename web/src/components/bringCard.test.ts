// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest';
import { mounted, type Mounted } from '../testing/mounted';
import BringCard from './BringCard.vue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});

async function open(props: object = {}) {
  const heard: unknown[] = [];
  page = await mounted(BringCard, {
    label: 'The table',
    choose: 'Choose a file',
    accept: '.csv',
    fileLabel: 'Table file',
    name: '',
    hint: 'or paste it',
    text: '',
    textId: 'cells',
    textLabel: 'Cells',
    placeholder: 'Paste here',
    rows: 4,
    busy: false,
    onOpen: (file: File | undefined) => heard.push(['open', file?.name]),
    onPaste: (text: string) => heard.push(['paste', text]),
    onPutAway: () => heard.push(['away']),
    ...props,
  });
  return { page, heard };
}

describe('a card that something is brought in by', () => {
  it('hands on what was chosen, and takes the same file again', async () => {
    const { page, heard } = await open();
    const input = page.root.querySelector<HTMLInputElement>('input[type=file]')!;
    expect(input.getAttribute('aria-label')).toBe('Table file');
    Object.defineProperty(input, 'files', { value: [new File(['a'], 'log.csv')], configurable: true });
    input.dispatchEvent(new Event('change'));
    input.dispatchEvent(new Event('change'));
    expect(heard).toEqual([
      ['open', 'log.csv'],
      ['open', 'log.csv'],
    ]);
    expect(input.value).toBe('');
  });
  it('hands on what was pasted, and offers nothing to put away where there is nothing', async () => {
    const { page, heard } = await open();
    expect(page.text()).toContain('or paste it');
    expect(() => page.button('Put it away')).toThrow();
    await page.type('#cells', 'a,b');
    expect(heard).toEqual([['paste', 'a,b']]);
  });
  it('names the file in the place of the field, and puts it away', async () => {
    const { page, heard } = await open({ name: 'log.csv', text: 'a,b' });
    expect(page.text()).toContain('log.csv');
    expect(page.root.querySelector('#cells')).toBeNull();
    page.button('Put it away').click();
    expect(heard).toEqual([['away']]);
  });
});

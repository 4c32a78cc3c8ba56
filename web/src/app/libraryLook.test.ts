import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { libraryLook, lookOf } from '../../libraryLook';

interface Hooks {
  readonly resolveId: (id: string) => string | null;
  readonly load: (id: string) => Promise<string> | null;
  readonly transform: (code: string, id: string) => { readonly code: string } | null;
}
const plugin = libraryLook() as unknown as Hooks;
const ROOT = join(import.meta.dirname, '../../../node_modules/primevue');

describe('the look of the library, as it is written when the application is built', () => {
  it('has the common variables once, and each part its own with its rules', async () => {
    const [base, button] = [await lookOf('base'), await lookOf('button')];
    expect(base).toContain('--p-primary-800');
    expect(base).toContain('#123a33');
    expect(button).toMatch(/\.p-button\s*\{/);
    expect(button).toContain('--p-button-label-font-weight');
    expect(button).not.toContain('--p-primary-800:');
    // No token is left for a browser to work out.
    expect(base + button).not.toMatch(/dt\(|\{[a-z]+\.[a-z.]+\}|undefined/);
  });
  it('has the rules that parts would write into a page, which write none then', async () => {
    const base = await lookOf('base');
    for (const rule of ['.p-hidden-accessible', '.p-icon', '.p-virtualscroller-content']) expect(base).toContain(rule);
    const at = join(ROOT, '../@primevue/core/base/style/index.mjs');
    expect(plugin.transform(readFileSync(at, 'utf8'), at)!.code).not.toContain('this.load(this.css');
    // No other part brings rules along that would be lost.
    const withRules = readdirSync(ROOT).filter((part) => {
      const style = join(ROOT, part, 'style/index.mjs');
      return existsSync(style) && /^\s*css:/m.test(readFileSync(style, 'utf8'));
    });
    expect(withRules).toEqual(['virtualscroller']);
    const other = "import { style } from '@primeuix/styles/base';";
    expect(() => plugin.transform(other, at)).toThrow('otherwise');
  });
  it('takes the place of the style that a part brings along, under the name the part knows it by', () => {
    const at = join(ROOT, 'select/style/index.mjs');
    const code = plugin.transform(readFileSync(at, 'utf8'), at)!.code;
    expect(code).toContain("import 'virtual:look/select,select.css'");
    expect(code).not.toContain('@primeuix/styles');
    const ripple = join(ROOT, 'ripple/style/index.mjs');
    expect(plugin.transform(readFileSync(ripple, 'utf8'), ripple)!.code).toContain('ripple,ripple-directive.css');
    expect(plugin.transform('export default 1;', '/work/web/src/main.ts')).toBeNull();
  });
  it('can be made of every part whose style the library ships', async () => {
    const parts = readdirSync(ROOT).flatMap((part) => {
      try {
        const code = readFileSync(join(ROOT, part, 'style/index.mjs'), 'utf8');
        return /@primeuix\/styles\/(\w+)/.exec(code)?.[1] ?? [];
      } catch {
        return [];
      }
    });
    expect(parts.length).toBeGreaterThan(50);
    for (const part of ['select', 'dialog', 'datepicker', 'toast']) {
      expect(parts).toContain(part);
      const id = plugin.resolveId(`virtual:look/${part},${part}.css`)!;
      expect(await plugin.load(id)).toContain(`.p-${part}`);
    }
    expect(plugin.resolveId('./other.css')).toBeNull();
  });
});

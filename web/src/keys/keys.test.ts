// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { effectScope, type EffectScope } from 'vue';
import { keyMode } from './keyMode';
import { keepEnter, keyWorks, onPlainKey, onPlainKeys } from './keys';

let scope: EffectScope;
let pressed: string[];
beforeEach(() => {
  pressed = [];
  scope = effectScope();
  scope.run(() => {
    for (const key of ['l', '?', 'Enter'])
      onPlainKey(key, () => {
        pressed.push(key);
      });
  });
});
afterEach(() => {
  scope.stop();
  keyMode.value = 'plain';
  document.body.innerHTML = '';
});

function press(key: string, held: KeyboardEventInit = {}, target: EventTarget = document.body): void {
  const code = /^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key;
  target.dispatchEvent(new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true, ...held }));
}

describe('a key of one sign', () => {
  it('works by itself, and not with a modifier held', () => {
    press('l');
    press('?');
    press('l', { ctrlKey: true });
    press('l', { altKey: true });
    expect(pressed).toEqual(['l', '?']);
  });
  it('can be turned off, which leaves Enter alone', () => {
    keyMode.value = 'off';
    press('l');
    press('?');
    press('Enter');
    expect(pressed).toEqual(['Enter']);
    expect([keyWorks('l'), keyWorks('Enter')]).toEqual([false, true]);
  });
  it('can be asked for with Alt, whatever sign the keyboard writes then', () => {
    keyMode.value = 'alt';
    press('l');
    press('l', { altKey: true });
    press('¬', { altKey: true, code: 'KeyL' });
    expect(pressed).toEqual(['l', 'l']);
  });
  it('is told to work only while something listens for it', () => {
    expect([keyWorks('l'), keyWorks('w')]).toEqual([true, false]);
    scope.stop();
    expect(keyWorks('l')).toBe(false);
  });
  it('is a letter of the text in a field', () => {
    document.body.innerHTML = '<input id="note" />';
    press('l', {}, document.querySelector('#note')!);
    expect(pressed).toEqual([]);
  });
  it('does what it is for where several are listened for at once, and nothing of the others', () => {
    scope.run(() => {
      onPlainKeys({ a: () => pressed.push('all of it'), '1': () => pressed.push('the first') });
    });
    for (const key of ['1', 'a', 'b']) press(key);
    expect(pressed).toEqual(['the first', 'all of it']);
    expect(['a', '1', 'b'].map(keyWorks)).toEqual([true, true, false]);
    scope.stop();
    press('a');
    expect([pressed.length, keyWorks('a')]).toEqual([2, false]);
  });
  it('of another time counts as plain', () => {
    window.localStorage.setItem('warm-jar.keys', 'sideways');
    expect(keyMode.value).toBe('plain');
  });
});

describe('Enter in a long form', () => {
  const enter = (html: string, held: KeyboardEventInit = {}) => {
    document.body.innerHTML = html;
    const event = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true, ...held });
    document.body.firstElementChild!.addEventListener('keydown', (e) => {
      keepEnter(e as KeyboardEvent);
    });
    document.body.firstElementChild!.dispatchEvent(event);
    return event.defaultPrevented;
  };
  it("saves nothing from a field, goes on in a text, and is a button's own", () => {
    expect(enter('<input />')).toBe(true);
    expect(enter('<textarea></textarea>')).toBe(false);
    expect(enter('<button type="submit"></button>')).toBe(false);
    expect(enter('<input />', { ctrlKey: true })).toBe(false);
  });
});

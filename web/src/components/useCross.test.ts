// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { placeOf, placeWords, useCross, type Place } from './useCross';

function cross() {
  const set: Place[] = [];
  const made = useCross((place) => {
    set.push(place);
  });
  const press = (key: string, shiftKey = false) => {
    const event = new KeyboardEvent('keydown', { key, shiftKey, cancelable: true });
    made.onKeydown(event);
    return event.defaultPrevented;
  };
  return { ...made, set, press };
}

describe('a cross on a picture', () => {
  it('begins in the middle, is moved by arrows, further with Shift, and set by Enter or the space bar', () => {
    const { press, at, set } = cross();
    press('ArrowRight');
    press('ArrowUp', true);
    expect(at.value).toEqual({ x: 0.52, y: 0.4 });
    press('Enter');
    press('ArrowDown');
    press(' ');
    expect(set).toEqual([
      { x: 0.52, y: 0.4 },
      { x: 0.52, y: 0.42 },
    ]);
  });
  it('stays on the picture', () => {
    const { press, at } = cross();
    for (let i = 0; i < 20; i += 1) press('ArrowLeft', true);
    for (let i = 0; i < 60; i += 1) press('ArrowDown');
    expect(at.value).toEqual({ x: 0, y: 1 });
  });
  it('leaves every other key to the page', () => {
    const { press, set } = cross();
    expect(['Tab', 'a', 'Escape'].map((k) => press(k))).toEqual([false, false, false]);
    expect(press('ArrowUp')).toBe(true);
    expect(set).toEqual([]);
  });
});

describe('a place', () => {
  it('is told in per cent', () => expect(placeWords({ x: 0.524, y: 0.4 })).toBe('across 52 %, down 40 %'));
  it('of a pointer lies on the picture, also where it just left it', () => {
    const picture = document.createElement('div');
    picture.getBoundingClientRect = () => ({ left: 10, top: 20, width: 200, height: 100 }) as DOMRect;
    const at = (clientX: number, clientY: number) =>
      placeOf({ currentTarget: picture, clientX, clientY } as unknown as MouseEvent);
    expect(at(110, 45)).toEqual({ x: 0.5, y: 0.25 });
    expect(at(500, 0)).toEqual({ x: 1, y: 0 });
  });
});

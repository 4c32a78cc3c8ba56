// @vitest-environment happy-dom
import jsQR from 'jsqr';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { codePath } from '../../components/codePath';
import { mounted, pretendServer, refusal, type Answers, type Asked, type Mounted } from '../../testing/mounted';
import { deedWords } from './deedWords';
import DeedsCard from './DeedsCard.vue';
import DevicesCard from './DevicesCard.vue';
import PairView from './PairView.vue';
import { leftWords, pairingAddress, spaced } from './pairingWords';
import PeopleCard from './PeopleCard.vue';
import SecureCard from './SecureCard.vue';
import SignInView from './SignInView.vue';
import TokensCard from './TokensCard.vue';
import { useSession } from '../../stores/session';

const person = (code: string, more: object = {}) => ({
  code,
  version: 1,
  name: null,
  role: 'technician',
  active: true,
  hasSecret: false,
  ...more,
});
const who = (more: object = {}) => ({
  mode: 'local',
  person: null,
  role: 'lead',
  verified: false,
  secure: true,
  trust: null,
  studio: 'saltmarsh',
  clock: { now: new Date().toISOString(), speed: 1 },
  people: [],
  ...more,
});
const onNetwork = (more: object = {}) => who({ mode: 'people', person: 'KO', verified: true, ...more });

let page: Mounted | null = null;
let went: string[] = [];
/** A page over a pretended server that answers who, and what else it is told to. */
async function open(component: Parameters<typeof mounted>[0], whoIs: object, answers: Answers, at = '/') {
  const asked = pretendServer((a) => (a.path === '/session' && a.method === 'GET' ? { body: whoIs } : answers(a)));
  page = await mounted(component, {}, at);
  await useSession().ready();
  await page.settle();
  return { page, asked };
}
const sent = (asked: readonly Asked[], method: string, path: string) =>
  asked.filter((a) => a.method === method && a.path === path).map((a) => a.body);

beforeEach(() => {
  window.localStorage.clear();
  went = [];
  vi.spyOn(window.location, 'assign').mockImplementation((to) => {
    went.push(String(to));
  });
});
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('the people of the studio', () => {
  const people = [person('KO', { role: 'lead', hasSecret: true }), person('MT'), person('RV', { active: false })];
  const answers: Answers = ({ method, path }) =>
    path === '/people' && method === 'GET' ? { body: { items: people } } : { status: 204 };

  it('on the own computer one says who one is, and every request names them as named', async () => {
    const { page: p, asked } = await open(PeopleCard, who(), answers);
    expect(p.text()).toContain('technician, no PIN');
    p.root.querySelector<HTMLButtonElement>('[data-person="MT"] button')!.click();
    await p.settle();
    expect(p.root.querySelector('[data-person="MT"]')!.textContent).toContain('here now');
    p.button('Set a PIN').click();
    await p.settle();
    await p.type('#secret-new', 'amber and oak');
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
    expect(sent(asked, 'POST', '/people/MT/secret')).toEqual([{ secret: 'amber and oak' }]);
    expect(asked.at(-1)!.headers.get('X-Warm-Jar-By')).toBe('MT');
    p.button('Nobody in particular').click();
    await p.settle();
    expect(useSession().person).toBeNull();
  });
  it('who left offers to be back, and nothing else', async () => {
    const { page: p, asked } = await open(PeopleCard, onNetwork(), answers);
    const buttons = [...p.root.querySelectorAll('[data-person="RV"] button')].map((b) => b.textContent);
    expect(buttons).toEqual(['Is back']);
    p.button('Is back').click();
    await p.settle();
    expect(sent(asked, 'PUT', '/people/RV')).toEqual([{ name: null, role: 'technician', active: true }]);
  });
  it('a technician sees who is who, and sets only the own PIN, with the one before', async () => {
    const { page: p } = await open(PeopleCard, onNetwork({ person: 'KO', role: 'technician' }), answers);
    const all = [...p.root.querySelectorAll('button')].map((b) => b.textContent);
    expect(all).toEqual(['Another PIN']);
    p.button('Another PIN').click();
    await p.settle();
    expect(p.root.querySelector('#secret-before')).not.toBeNull();
  });
  it('says why somebody cannot be added, and keeps what was typed', async () => {
    const refused: Answers = ({ method, path }) =>
      method === 'POST' && path === '/people'
        ? { status: 409, body: refusal('code-taken', 'KO is somebody already.') }
        : answers({ method, path } as Asked);
    const { page: p } = await open(PeopleCard, who(), refused);
    p.button('Add somebody').click();
    await p.settle();
    await p.type('#new-code', 'KO');
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
    expect(p.root.querySelector('[role="alert"]')!.textContent).toContain('KO is somebody already.');
    expect(p.root.querySelector<HTMLInputElement>('#new-code')!.value).toBe('KO');
  });
});

describe('the door', () => {
  const submit = async (p: Mounted) => {
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
  };
  it.each([
    ['/sign-in?next=/batches/B-0001', '/batches/B-0001'],
    ['/sign-in?next=//elsewhere.test/', '/'],
    ['/sign-in?next=https://elsewhere.test/', '/'],
    ['/sign-in', '/'],
  ])('%s leads to %s, and never out of the studio', async (at, to) => {
    const { page: p, asked } = await open(
      SignInView,
      onNetwork({ person: null, role: null }),
      () => ({ status: 204 }),
      at,
    );
    await p.type('#person', ' KO ');
    await p.type('#secret', 'amber and oak');
    await submit(p);
    expect(sent(asked, 'POST', '/session')).toEqual([{ person: 'KO', secret: 'amber and oak' }]);
    expect(went).toEqual([to]);
  });
  it('clears the PIN, not the initials, where it was wrong', async () => {
    const wrong: Answers = () => ({ status: 401, body: refusal('wrong', 'Initials or PIN are wrong.') });
    const { page: p } = await open(SignInView, onNetwork({ person: null }), wrong);
    await p.type('#person', 'KO');
    await p.type('#secret', 'guess');
    await submit(p);
    expect(p.text()).toContain('Initials or PIN are wrong.');
    expect(p.root.querySelector<HTMLInputElement>('#person')!.value).toBe('KO');
    expect(p.root.querySelector<HTMLInputElement>('#secret')!.value).toBe('');
    expect(went).toEqual([]);
  });
  it('a code from another screen stands in the field already, and is used only when somebody says so', async () => {
    const { page: p, asked } = await open(
      PairView,
      onNetwork({ person: null }),
      () => ({ status: 204 }),
      '/pair#ABCDE23456',
    );
    expect(p.root.querySelector<HTMLInputElement>('#pairing')!.value).toBe('ABCDE23456');
    expect(sent(asked, 'POST', '/pairings/use')).toEqual([]);
    await submit(p);
    expect(sent(asked, 'POST', '/pairings/use')).toEqual([{ code: 'ABCDE23456' }]);
    expect(went).toEqual(['/']);
  });
});

describe('devices', () => {
  const device = {
    id: 'a'.repeat(64),
    person: 'KO',
    label: 'a tablet',
    how: 'secret',
    address: '192.0.2.7',
    createdAt: '2026-11-27T08:00:00Z',
    seenAt: '2026-11-27T09:00:00Z',
  };
  const until = new Date(Date.now() + 299_000).toISOString();
  const answers: Answers = ({ method, path }) => {
    if (path === '/sessions')
      return {
        body: {
          items: [
            { ...device, own: true },
            { ...device, id: 'b'.repeat(64), own: false },
          ],
        },
      };
    if (path === '/pairings')
      return { status: 201, body: { code: 'ABCDE23456', until, address: 'https://jar.studio.test' } };
    return method === 'DELETE' ? { status: 204 } : undefined;
  };
  it('the others are signed out from here, this one is not offered', async () => {
    const { page: p, asked } = await open(DevicesCard, onNetwork(), answers);
    expect([...p.root.querySelectorAll('[data-test="devices"] button')]).toHaveLength(1);
    p.button('Sign out').click();
    await p.settle();
    expect(asked.filter((a) => a.method === 'DELETE').map((a) => a.path)).toEqual([`/sessions/${'b'.repeat(64)}`]);
  });
  it('another is signed in by a code that is shown, typed or read by a camera, with the time that is left', async () => {
    const { page: p } = await open(DevicesCard, onNetwork(), answers);
    await p.type('#pair-label', 'bench tablet');
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
    expect(p.root.querySelector('[data-test="pairing-code"]')!.textContent).toBe('ABCDE 23456');
    expect(p.text()).toContain('https://jar.studio.test/pair');
    expect(p.root.querySelector('[role="timer"]')!.textContent).toMatch(/4:5\d/);
    const path = p.root.querySelector('svg path')!.getAttribute('d')!;
    expect(path).toBe(codePath('https://jar.studio.test/pair#ABCDE23456').d);
    expect(readCode(path, codePath('https://jar.studio.test/pair#ABCDE23456').size)).toBe(
      'https://jar.studio.test/pair#ABCDE23456',
    );
    p.button('Done').click();
    await p.settle();
    expect(p.root.querySelector('[data-test="pairing"]')).toBeNull();
  });
  it('a token is told once', async () => {
    const { page: p } = await open(TokensCard, onNetwork(), ({ method }) =>
      method === 'POST'
        ? { status: 201, body: { id: 'c'.repeat(64), token: 'secret-token' } }
        : { body: { items: [] } },
    );
    await p.type('#token-device', 'G-07');
    await p.type('#token-label', 'bench scale');
    p.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true, bubbles: true }));
    await p.settle();
    expect(p.root.querySelector('[data-test="token"]')!.textContent).toBe('secret-token');
  });
});

/** What a reader makes of a drawn code, eight dots to a square. */
function readCode(path: string, size: number): string | undefined {
  const [dot, quiet] = [8, 4];
  const side = (size + 2 * quiet) * dot;
  const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
  for (const [, x, y] of path.matchAll(/M(\d+) (\d+)h1/g))
    for (let i = 0; i < dot; i += 1)
      for (let j = 0; j < dot; j += 1)
        pixels.fill(
          0,
          (((Number(y) + quiet) * dot + i) * side + (Number(x) + quiet) * dot + j) * 4,
          (((Number(y) + quiet) * dot + i) * side + (Number(x) + quiet) * dot + j) * 4 + 3,
        );
  return jsQR(pixels, side, side)?.data;
}

describe('a secure address', () => {
  it('what is missing without it is said, and how a device learns to trust the studio', async () => {
    vi.stubGlobal('isSecureContext', false);
    const { page: p } = await open(
      SecureCard,
      onNetwork({ trust: { address: 'http://192.0.2.10:4311/trust', fingerprint: 'AB CD' } }),
      () => undefined,
    );
    expect(p.text()).toContain('Not a secure address');
    expect(p.root.querySelector('[data-test="missing"]')!.textContent).toContain('no camera');
    expect(p.root.querySelector('a')!.getAttribute('href')).toBe('http://192.0.2.10:4311/trust');
    expect(p.root.querySelector('[data-test="fingerprint"]')!.textContent).toBe('AB CD');
  });
  it('is said plainly where there is one', async () => {
    vi.stubGlobal('isSecureContext', true);
    const { page: p } = await open(SecureCard, onNetwork(), () => undefined);
    expect(p.text()).toBe('A secure address');
  });
});

describe('who did what', () => {
  const deed = (id: number, more: object) => ({
    id,
    at: '2026-11-27T09:00:00Z',
    by: null,
    verified: false,
    what: 'Log a batch',
    place: '/batches/B-0001',
    address: '::1',
    ...more,
  });
  it('tells who signed in from who was only named', async () => {
    const { page: p } = await open(DeedsCard, onNetwork(), ({ path }) => ({
      body: {
        items:
          path === '/deeds'
            ? [deed(9, { by: 'KO', verified: true }), deed(8, { by: 'MT' }), deed(7, {})]
            : [deed(3, { what: 'Earlier' })],
      },
    }));
    expect([...p.root.querySelectorAll('tbody tr')].map((r) => r.children[1]!.textContent)).toEqual([
      'KO',
      'MT (as named)',
      'nobody named',
    ]);
    p.button('Earlier ones').click();
    await p.settle();
    expect(p.root.querySelectorAll('tbody tr')).toHaveLength(4);
  });
  it.each([
    ['Log a batch', '/batches/B-0412', 'Log a batch: B-0412'],
    ['Replace a mould', '/moulds/Gr%C3%B6%C3%9Fe%203', 'Replace a mould: Größe 3'],
    ['Set a PIN or passphrase: the own one with …', '/people/KO/secret', 'Set a PIN or passphrase: KO'],
    ['Sign a device out', `/sessions/${'a'.repeat(64)}`, 'Sign a device out'],
    [
      'Set when and where copies are made by themselves',
      '/backup/schedule',
      'Set when and where copies are made by themselves',
    ],
  ])('%s at %s reads: %s', (what, place, words) => {
    expect(deedWords({ what, place })).toBe(words);
  });
});

describe('words of the pairing', () => {
  it.each([
    [300_000, 'for another 5:00'],
    [299_001, 'for another 5:00'],
    [61_000, 'for another 1:01'],
    [500, 'for another 0:01'],
    [0, 'over now'],
    [-5, 'over now'],
  ])('%i ms are %s', (ms, words) => expect(leftWords(ms)).toBe(words));
  it('the code stands behind the #, where no server sees it', () => {
    expect(new URL(pairingAddress('https://jar.test/', 'ABCDE23456')).pathname).toBe('/pair');
    expect(spaced('ABCDE23456')).toBe('ABCDE 23456');
  });
});

import { schemaArbitrary } from '@warm-jar/core/testing';
import fc from 'fast-check';
import type { Endpoint } from '../http/endpoint';

/** One request as a client might send it. */
export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | null;
}

/** Names that have made trouble anywhere: what ends a text, an address, a cell or a list. */
const ODD_NAMES = [
  'new',
  'import',
  '..',
  '.',
  'a/b',
  'a,b',
  'a;b',
  'a"b',
  'a\nb',
  'a\u0000b',
  'a\ud800b',
  '%',
  '%00',
  '__proto__',
  'constructor',
  'x'.repeat(201),
  'B-9223372036854775807',
  'B-99999999999999999999',
  'B-0001x',
  '\u202e',
  ' ',
  'Größe 3',
  '💧',
  "' OR 1=1 --",
];
/** What the demo cards and a fresh studio have. */
const KNOWN = ['B-0001', 'B-0002', 'house-clear-6', 'M-12', 'G-01', 'A-77', 'P-01', 'batch'];

const oddName = fc.oneof(
  fc.constantFrom(...ODD_NAMES),
  fc.string({ unit: 'binary', maxLength: 12 }),
  fc.string({ maxLength: 80 }),
);
const anyName = fc.oneof({ weight: 3, arbitrary: fc.constantFrom(...KNOWN) }, { weight: 2, arbitrary: oddName });

/** A value that stands where another was expected. */
const oddValue = fc.oneof(
  oddName,
  fc.constantFrom(null, -1, 0, 1e308, -1e308, 1e-300, 2 ** 53, '', [], {}, true, '1026-01-01', '2026-02-30'),
  fc.constantFrom('1026-05-01T00:00:00Z', '9999-12-31T23:59:59-14:00', '2026-03-14T09:20:00+01:00'),
  fc.array(fc.integer(), { maxLength: 3 }),
  fc.dictionary(oddName, fc.integer(), { maxKeys: 3 }),
  fc.integer({ min: 2, max: 60 }).map((deep) => {
    let value: unknown = 1;
    for (let i = 0; i < deep; i += 1) value = [value];
    return value;
  }),
);

type Tree = Record<string, unknown> | unknown[];
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/** The document with one value of it, wherever it lies, replaced, taken away or given a neighbour. */
function bent(document: unknown, turns: readonly number[], odd: unknown): unknown {
  const copy: unknown = structuredClone(document);
  let at = copy;
  for (const turn of turns) {
    if (!isTree(at)) break;
    const keys = Object.keys(at);
    const key = keys[turn % Math.max(1, keys.length)];
    if (key === undefined) break;
    const next = (at as Record<string, unknown>)[key];
    if (!isTree(next) || turn % 3 === 0) {
      if (turn % 5 === 0) Reflect.deleteProperty(at, key);
      else
        (at as Record<string, unknown>)[turn % 7 === 0 && !Array.isArray(at) ? (JSON.stringify(odd) ?? 'x') : key] =
          odd;
      break;
    }
    at = next;
  }
  return copy;
}

/** Words in place of the random ones, so that documents find the cards and things there are. */
const atHome = (document: unknown): fc.Arbitrary<unknown> =>
  fc
    .record({
      slug: fc.constantFrom('house-clear-6', 'tide-epoxy', 'none-such'),
      code: anyName,
      home: fc.integer({ min: 0, max: 3 }),
    })
    .map(({ slug, code, home }) => {
      if (home === 0 || !isTree(document) || Array.isArray(document)) return document;
      const own = { ...document };
      if (isTree(own['product']) && !Array.isArray(own['product']) && !('format' in own['product']))
        own['product'] = { slug };
      if ('productSlug' in own) own['productSlug'] = slug;
      if ('code' in own) own['code'] = code;
      if ('folder' in own) own['folder'] = 'not/from/the/root';
      return own;
    });

const bodyOf = (schema: Parameters<typeof schemaArbitrary>[0]): fc.Arbitrary<string> =>
  fc.oneof(
    {
      weight: 8,
      arbitrary: fc
        .tuple(schemaArbitrary(schema).chain(atHome), fc.array(fc.nat(50), { maxLength: 5 }), oddValue)
        .map(([document, turns, odd]) => JSON.stringify(turns.length < 2 ? document : bent(document, turns, odd))),
    },
    { weight: 1, arbitrary: oddValue.map((v) => JSON.stringify(v) ?? 'null') },
    {
      weight: 1,
      arbitrary: fc.constantFrom('', '{', '[1,', '"', '{"__proto__":{"x":1}}', '{"code":"\\ud800"}', '\u0000'),
    },
  );

/** Fields of an entry at the bench: real ones, past the end of a list, and none at all. */
const ENTRY_PATHS = [
  'mix.amountA',
  'room.temperatureC',
  'checks[0].grade',
  'checks[7].grade',
  'additives[3].massG',
  'readings[9999].value',
  'constructor.name',
  'note',
  'code',
  'format',
  'product.slug',
  'startedAt',
  'cups[0].id',
];
const entryBody = fc
  .record({
    key: fc.constantFrom('key-00000001', 'key-00000002', 'key-00000003', 'short'),
    at: fc.constantFrom('2026-03-14T09:20:00+01:00', '1026-03-14T09:20:00+01:00'),
    set: fc.array(fc.record({ path: fc.constantFrom(...ENTRY_PATHS), was: fc.constant(null), value: oddValue }), {
      maxLength: 2,
    }),
    add: fc.array(
      fc.record({
        path: fc.constantFrom('readings', 'checks', 'additives', 'bench.done'),
        value: fc.oneof(oddValue, fc.constant({ afterH: 24 }), fc.constant({ atMin: 1, what: 'resin', value: 22 })),
      }),
      { maxLength: 2 },
    ),
    over: fc.boolean(),
  })
  .map((entry) => JSON.stringify(entry));

/** A name as it stands in an address; half a character cannot be encoded, so its bytes are sent. */
const encoded = (name: string) => {
  try {
    return encodeURIComponent(name);
  } catch {
    return '%ED%A0%80';
  }
};

const queryOf = (schema: Parameters<typeof schemaArbitrary>[0]): fc.Arbitrary<string> =>
  fc
    .tuple(
      schemaArbitrary(schema),
      fc.dictionary(fc.constantFrom('q', 'fact', 'limit', 'codes', 'x'), oddName, { maxKeys: 2 }),
    )
    .map(([wanted, odd]) => {
      const pairs = Object.entries({ ...(wanted as Record<string, unknown>), ...odd }).filter(([, v]) => v != null);
      return pairs.length === 0 ? '' : `?${pairs.map(([k, v]) => `${k}=${encoded(String(v))}`).join('&')}`;
    });

const headers = fc.record(
  {
    'If-Match': fc.constantFrom('"1"', '"2"', '"0"', '"999999999"', '3', 'x', '"-1"', '"99999999999999999999"'),
    Origin: fc.constantFrom('null', 'http://elsewhere.test', 'not an origin', 'http://[', '://'),
    'Content-Type': fc.constantFrom('application/json', 'application/json; charset=latin-9', 'text/plain', 'x'),
    'Content-Encoding': fc.constantFrom('gzip', 'none-such'),
    Host: fc.constantFrom('127.0.0.1', 'elsewhere.test', 'localhost:1'),
  },
  { requiredKeys: [] },
);
/** Most requests carry what they should; each header is bent now and then. */
const mostlyGood = (method: string): fc.Arbitrary<Record<string, string>> =>
  fc
    .oneof(
      { weight: 5, arbitrary: fc.constantFrom('"1"', '"2"', '"3"').map((v) => ({ 'If-Match': v })) },
      { weight: 1, arbitrary: headers },
    )
    .map((h) => ({ ...(method === 'get' ? {} : { 'Content-Type': 'application/json' }), ...h }));

function requestTo({ spec }: Endpoint): fc.Arbitrary<Sent> {
  const names = [...spec.path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]!);
  const whole = spec.body ? bodyOf(spec.body) : fc.constant(null);
  const body = spec.path.endsWith('/entries')
    ? fc.oneof({ weight: 2, arbitrary: entryBody }, { weight: 1, arbitrary: whole })
    : whole;
  return fc
    .record({
      params: fc.tuple(...names.map((n) => (n === 'revision' ? fc.oneof(fc.constant('1'), anyName) : anyName))),
      query: spec.query ? queryOf(spec.query) : fc.constant(''),
      headers: mostlyGood(spec.method),
      body,
    })
    .map(({ params, query, headers: h, body: sent }) => ({
      method: spec.method.toUpperCase(),
      path: `/api/v1${names.reduce((p, n, i) => p.replace(`{${n}}`, encoded(params[i]!)), spec.path)}${query}`,
      headers: h,
      body: sent,
    }));
}

/** What has no schema of JSON: files, streams of lines, the calendar, the page itself, and addresses that are none. */
const OTHERS: readonly { readonly method: string; readonly path: string }[] = [
  { method: 'GET', path: '/api/v1/agenda.ics' },
  { method: 'GET', path: '/api/v1/backup.zip' },
  { method: 'GET', path: '/api/v1/export/batches.csv' },
  { method: 'GET', path: '/api/v1/export/batches.json?from=1026-01-01' },
  { method: 'GET', path: '/api/v1/export/batches.json?search=%00' },
  { method: 'GET', path: '/api/v1/export/batches.' },
  { method: 'GET', path: '/api/v1/learning?what=patterns' },
  { method: 'GET', path: '/api/v1/learning?what=chart&from=1026-01-01' },
  { method: 'GET', path: '/api/v1/learning?what=chart' },
  { method: 'GET', path: '/api/v1/learning?what=figures' },
  { method: 'GET', path: '/api/v1/events?devices=%00' },
  { method: 'GET', path: `/api/v1/events?batch=${'x'.repeat(300)}` },
  { method: 'POST', path: '/api/v1/photos' },
  { method: 'POST', path: '/api/v1/backup/check' },
  { method: 'GET', path: '/api/v1/photos/..%2f..%2fetc%2fpasswd' },
  { method: 'GET', path: '/api/v1/photos/%00' },
  { method: 'GET', path: '/%E0%A4%A' },
  { method: 'GET', path: '/assets/%00' },
  { method: 'GET', path: '//' },
  { method: 'PATCH', path: '/api/v1/batches' },
  { method: 'OPTIONS', path: '/api/v1/batches' },
  { method: 'HEAD', path: '/api/v1/batches' },
];
const otherRequest: fc.Arbitrary<Sent> = fc
  .record({ to: fc.constantFrom(...OTHERS), bytes: fc.string({ unit: 'binary', maxLength: 60 }), odd: headers })
  .map(({ to, bytes, odd }) => ({ ...to, headers: odd, body: to.method === 'POST' ? bytes : null }));

/** Requests to every endpoint by the schemas that describe it, most of them nearly right. */
export const anyRequest = (endpoints: readonly Endpoint[]): fc.Arbitrary<Sent> =>
  fc.oneof(...endpoints.map(requestTo), ...Array.from({ length: 8 }, () => otherRequest));

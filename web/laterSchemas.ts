import { parseAst, type Plugin } from 'vite';

/** A piece of a parsed module, as far as it is asked for. */
interface Piece {
  readonly type: string;
  readonly start: number;
  readonly end: number;
  readonly [key: string]: unknown;
}

const OURS = /[\\/](?:core|web)[\\/]src[\\/](?!.*\.test\.)[^?]*\.ts$/;
const FROM_ZOD = /import \{[^}]*\bz\b[^}]*\} from 'zod'/;
const LATER = 'virtual:later-schema';

/** What is called on a schema to make another of it. What is asked of one, its options or a parse, is no schema. */
const MAKES_ANOTHER = new Set(
  (
    'and array brand catch check default email exactOptional extend finite gt gte int length loose lowercase lt lte ' +
    'max min multipleOf negative nonempty nonnegative nonoptional nonpositive nullable nullish omit optional or ' +
    'overwrite partial passthrough pick pipe positive prefault readonly refine regex required safe safeExtend strict ' +
    'strip superRefine transform trim uppercase'
  ).split(' '),
);

/** `z` itself, or one of its shelves: `z.iso`. */
const isOfZod = (piece: Piece): boolean =>
  piece.type === 'MemberExpression' ? isOfZod(piece['object'] as Piece) : piece['name'] === 'z';

/** The name that a chain which makes a schema begins with: `z` of `z.object({}).optional()`; null of any other. */
function begins(piece: Piece): string | null {
  if (piece.type === 'CallExpression') return begins(piece['callee'] as Piece);
  if (piece.type === 'Identifier') return piece['name'] as string;
  if (piece.type !== 'MemberExpression' || piece['computed'] === true) return null;
  const of = piece['object'] as Piece;
  return isOfZod(of) || MAKES_ANOTHER.has((piece['property'] as Piece)['name'] as string) ? begins(of) : null;
}

const declarationOf = (piece: Piece): Piece =>
  piece.type === 'ExportNamedDeclaration' && piece['declaration'] ? (piece['declaration'] as Piece) : piece;

/** Names of schemas that a module takes from others. */
const takenFrom = (body: readonly Piece[]): readonly string[] =>
  body
    .filter(({ type }) => type === 'ImportDeclaration')
    .flatMap((taken) => taken['specifiers'] as readonly Piece[])
    .map((taken) => (taken['local'] as Piece)['name'] as string)
    .filter((name) => name.endsWith('Schema'));

/**
 * What a module's own constants that are schemas are made from, in the order in which they stand: by `z`, by another
 * schema, or by a function of the module that makes one.
 */
function schemasOf(code: string): readonly Piece[] {
  const { body } = parseAst(code, { lang: 'ts' }) as unknown as { readonly body: readonly Piece[] };
  const known = new Set(['z', ...takenFrom(body)]);
  const declared = body
    .map(declarationOf)
    .filter(({ type, ...rest }) => type === 'VariableDeclaration' && rest['kind'] === 'const')
    .flatMap((declaration) => declaration['declarations'] as readonly Piece[]);
  return declared.flatMap((one) => {
    const made = one['init'] as Piece;
    const makes = made.type === 'ArrowFunctionExpression';
    if (!known.has(begins(makes ? (made['body'] as Piece) : made) ?? '')) return [];
    known.add((one['id'] as Piece)['name'] as string);
    return made.type === 'CallExpression' ? [made] : [];
  });
}

/** The module with each of its schemas made when it is first asked for something. */
export function withLaterSchemas(code: string): string {
  if (!FROM_ZOD.test(code)) return code;
  const made = schemasOf(code);
  if (made.length === 0) return code;
  const [text, rest] = made.reduceRight(
    ([done, before], { start, end }) => [
      `/* @__PURE__ */ laterSchema(() => (${before.slice(start, end)}))${before.slice(end)}${done}`,
      before.slice(0, start),
    ],
    ['', code],
  );
  return `import { laterSchema } from '${LATER}';\n${rest}${text}`;
}

/**
 * A stand-in that makes the schema as soon as anything is asked of it. What is built of schemas only keeps them until
 * something is checked, so a page makes those that its answers are checked by, when the first answer comes.
 */
const STAND_IN = `export function laterSchema(make) {
  let made;
  const schema = () => (made ??= make());
  return new Proxy({}, {
    get: (_, key) => schema()[key],
    set: (_, key, value) => { schema()[key] = value; return true; },
    has: (_, key) => key in schema(),
    getPrototypeOf: () => Object.getPrototypeOf(schema()),
  });
}`;

/**
 * Makes schemas when they are needed. All of them were made before a page could begin: half of what a browser did until
 * then, most of it for schemas that the page never asks.
 */
export const laterSchemas = (): Plugin => ({
  name: 'later-schemas',
  apply: 'build',
  enforce: 'pre',
  resolveId: (id) => (id === LATER ? `\0${LATER}` : null),
  load: (id) => (id === `\0${LATER}` ? STAND_IN : null),
  transform: (code, id) => (OURS.test(id) && FROM_ZOD.test(code) ? { code: withLaterSchemas(code), map: null } : null),
});

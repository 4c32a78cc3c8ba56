import { problemSchema, type ProblemIssue } from '@warm-jar/core';
import { z } from 'zod';
import { letOthersFirst, pauses } from '../app/breathe';
import { API_PREFIX } from './base';
import { madeSchema } from './madeSchema';
import { rememberCode } from './problemCodes';
import { studioId } from './studioId';

/** A refusal from the server, or no server at all, as the screens show it. */
export class ApiProblem extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly issues: readonly ProblemIssue[] = [],
  ) {
    super(message);
    this.name = 'ApiProblem';
    rememberCode(message, code);
  }
}

let whoIsIt: () => string | null = () => null;
/** Tells who was chosen at this screen; the server writes it down as unverified. */
export function sayWho(who: () => string | null): void {
  whoIsIt = who;
}
const toldSignedOut = new Set<() => void>();
/** Told when the server knows this device no more. */
export function onSignedOut(act: () => void): void {
  toldSignedOut.add(act);
}

const toldOtherStudio = new Set<() => void>();
/** Told when another studio is served at this address than the one this page is of. */
export function onOtherStudio(act: () => void): void {
  toldOtherStudio.add(act);
}

function withWho(init: RequestInit): RequestInit {
  const person = whoIsIt();
  const headers = new Headers(init.headers);
  headers.set('X-Warm-Jar-Studio', studioId());
  if (person !== null) headers.set('X-Warm-Jar-By', encodeURIComponent(person));
  return { ...init, headers };
}

async function problemOf(response: Response): Promise<ApiProblem> {
  const parsed = problemSchema.safeParse(await response.json().catch(() => null));
  if (!parsed.success)
    return new ApiProblem('unreadable', `The server answered ${response.status}. Try again.`, response.status);
  const { code, message, issues } = parsed.data.error;
  return new ApiProblem(code, message, response.status, issues);
}

export async function send(path: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  // Several are often asked for at once.
  if (init.method === undefined) await letOthersFirst();
  try {
    response = await fetch(`${API_PREFIX}${path}`, withWho(init));
  } catch (error) {
    // Whoever hung up knows.
    if (init.signal?.aborted) throw error;
    throw new ApiProblem(
      'unreachable',
      'The server cannot be reached. What you typed is kept here; try again when it is back.',
      0,
    );
  }
  if (response.ok) return response;
  const problem = await problemOf(response);
  if (problem.code === 'other-studio') for (const act of toldOtherStudio) act();
  if (problem.code === 'sign-in') for (const act of toldSignedOut) act();
  throw problem;
}

/** The lists of any length in what a schema describes, by name, with the schema of their single items. */
function itemSchemasOf(schema: z.ZodType): [name: string, item: z.ZodType][] {
  // What is held to a rule of the whole is checked whole.
  const isPlain = schema instanceof z.ZodObject && !schema._zod.def.checks?.length;
  const shape = isPlain ? (schema.shape as Record<string, z.ZodType>) : {};
  return Object.entries(shape).flatMap(([name, part]): [string, z.ZodType][] =>
    part instanceof z.ZodArray && !part._zod.def.checks?.length ? [[name, part.element as z.ZodType]] : [],
  );
}

/**
 * What a server answered, checked. Items of lists are checked one after another: a tap in between does not wait for
 * all of them.
 * @throws ZodError where it is not what was asked for
 */
export async function read<T>(schema: z.ZodType<T>, response: Response): Promise<T> {
  const answer = (await response.json()) as T;
  await madeSchema(schema);
  await letOthersFirst();
  const lists = itemSchemasOf(schema);
  const told = z.looseObject(Object.fromEntries(lists.map(([name]) => [name, z.array(z.unknown())]))).safeParse(answer);
  if (lists.length === 0 || !told.success) return schema.parse(answer);
  const rest = schema.parse({ ...told.data, ...Object.fromEntries(lists.map(([name]) => [name, []])) });
  const pause = pauses();
  const checked: Record<string, unknown[]> = {};
  for (const [name, item] of lists) {
    const items: unknown[] = [];
    for (const one of told.data[name] as unknown[]) {
      items.push(item.parse(one));
      await pause();
    }
    checked[name] = items;
  }
  return { ...rest, ...checked };
}

export const withJson = (method: string, body: unknown, version?: number): RequestInit => ({
  method,
  body: JSON.stringify(body),
  headers: { 'Content-Type': 'application/json', ...(version === undefined ? {} : { 'If-Match': `"${version}"` }) },
});

export const versionOf = (response: Response) => Number(/\d+/.exec(response.headers.get('etag') ?? '')?.[0] ?? 0);

import { issuesFromZod, type ProblemIssue } from '@warm-jar/core';
import express, { type Request, type RequestHandler, type Response, type Router } from 'express';
import type { z } from 'zod';
import { actorOf, bearerOf } from '../access/gate';
import { asActor } from '../access/actor';
import { Problem } from './problem';
import { refusedFor } from './refused';

export type Method = 'get' | 'post' | 'put' | 'delete';

/** What an endpoint takes and gives, as Zod schemas: the border check and the OpenAPI document both come from it. */
export interface EndpointSpec<P, Q, B> {
  readonly method: Method;
  /** With parameters in braces, `/batches/{code}`. */
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodType<P>;
  readonly query?: z.ZodType<Q>;
  readonly body?: z.ZodType<B>;
  /** Whether the stored version must be named in `If-Match`. */
  readonly versioned?: boolean;
  /** Whether it only works something out: then nobody did anything. */
  readonly storesNothing?: boolean;
  /** A body that is no JSON: its kinds. It is left unread for the handler, or read whole up to a bound. */
  readonly takes?: { readonly types: readonly string[]; readonly wholeUpToBytes?: number };
  readonly answers: Readonly<Record<number, AnswerSpec>>;
}

/** An answer: JSON by its schema, or a file or stream of some kinds. */
export interface AnswerSpec {
  readonly description: string;
  readonly schema?: z.ZodType;
  readonly types?: readonly string[];
}

/** Where a request comes from. */
export interface Client {
  readonly address: string;
  /** As its browser names itself. */
  readonly agent: string;
  /** Whether it came by TLS. */
  readonly secure: boolean;
  /** The token that a device on a wire shows; null where it shows none. */
  readonly bearer: string | null;
}
export interface Input<P, Q, B> {
  readonly params: P;
  readonly query: Q;
  readonly body: B;
  readonly version: number;
  readonly client: Client;
}
export interface Answer {
  readonly status: number;
  readonly body?: unknown;
  readonly version?: number;
  readonly location?: string;
  readonly headers?: Readonly<Record<string, string>>;
}
/** Told of each change that was made: by what it is called, and where. */
export type Told = (what: string, place: string) => Promise<void>;
export interface Endpoint {
  readonly spec: EndpointSpec<unknown, unknown, unknown>;
  readonly handle: (input: Input<never, never, never>) => Promise<Answer>;
  /** Answers by itself, with a file or a stream, instead of `handle`. */
  readonly stream?: (input: Input<never, never, never>, exchange: Exchange) => Promise<void> | void;
}

/** The request and answer themselves, for what is no JSON. */
export interface Exchange {
  readonly request: Request;
  readonly response: Response;
  readonly told: Told;
}

/** Ties a handler to its description, with the types of what the schemas let through. */
export function endpoint<P, Q, B>(
  spec: EndpointSpec<P, Q, B>,
  handle: (input: Input<P, Q, B>) => Promise<Answer>,
): Endpoint {
  return { spec: spec as EndpointSpec<unknown, unknown, unknown>, handle: handle as Endpoint['handle'] };
}

/** Ties a handler that answers with a file or a stream to its description. */
export function streamEndpoint<P, Q>(
  spec: EndpointSpec<P, Q, never>,
  stream: (input: Input<P, Q, never>, exchange: Exchange) => Promise<void> | void,
): Endpoint {
  return {
    spec: spec as EndpointSpec<unknown, unknown, unknown>,
    handle: () => Promise.reject(new Error('This endpoint answers by itself.')),
    stream: stream as unknown as Endpoint['stream'],
  };
}

function check(schema: z.ZodType | undefined, value: unknown, issues: ProblemIssue[]): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value);
  if (!result.success) issues.push(...issuesFromZod(result.error));
  return result.data;
}

/** The version in `If-Match: "3"`. @throws Problem 428 where it is missing, 400 where it is not a version */
function versionFrom(request: Request): number {
  const header = request.get('if-match');
  if (!header) {
    throw new Problem(
      428,
      'version-required',
      'Name the version you changed, as If-Match: "3". It came as ETag when the batch was read.',
      [{ path: 'If-Match', message: 'Missing.' }],
    );
  }
  const version = /^(?:W\/)?"?(\d{1,9})"?$/.exec(header)?.[1];
  if (!version)
    throw new Problem(400, 'invalid-input', 'If-Match must be a version, such as "3".', [
      { path: 'If-Match', message: 'Not a version.' },
    ]);
  return Number(version);
}

const clientOf = (request: Request): Client => ({
  address: request.ip ?? '',
  agent: (request.get('user-agent') ?? '').slice(0, 300),
  secure: request.secure,
  bearer: bearerOf(request),
});

/** What a change was made to: its own address where it has one now. */
const placeOf = (request: Request, answer: Answer) =>
  (answer.location ?? request.path).replace(/^\/api\/v1/, '').slice(0, 200);

/** What a request says, as its schemas let it through. @throws Problem 400, 415 or 428 */
function inputOf(spec: Endpoint['spec'], request: Request): Input<never, never, never> {
  const issues: ProblemIssue[] = [];
  if (spec.body && request.body === undefined) {
    throw new Problem(415, 'json-expected', 'Send the document as JSON, with Content-Type: application/json.');
  }
  const params = check(spec.params, request.params, issues);
  const query = check(spec.query, request.query, issues);
  const body = check(spec.body, request.body, issues);
  if (issues.length > 0) throw refusedFor(issues);
  const version = spec.versioned ? versionFrom(request) : 0;
  return { params, query, body, version, client: clientOf(request) } as Input<never, never, never>;
}

async function run({ spec, handle }: Endpoint, request: Request, response: Response, told: Told): Promise<void> {
  const input = inputOf(spec, request);
  const actor = actorOf(response);
  // Reading the body may have lost who asks; here it is certain again.
  const answer = await (actor ? asActor(actor, () => handle(input)) : handle(input));
  if (spec.method !== 'get' && !spec.storesNothing) await told(spec.summary, placeOf(request, answer));
  if (answer.headers) response.set(answer.headers);
  if (answer.version !== undefined) response.set('ETag', `"${answer.version}"`);
  if (answer.location) response.location(answer.location);
  response.status(answer.status);
  if (answer.body === undefined) response.end();
  else response.json(answer.body);
}

const NOBODY_TOLD: Told = () => Promise.resolve();
const expressPath = ({ path }: Endpoint['spec']) => path.replaceAll(/\{(\w+)\}/g, ':$1');

/** What reads a body that is no JSON, where the endpoint wants it whole. */
const wholeBody = ({ takes }: Endpoint['spec']): RequestHandler[] =>
  takes?.wholeUpToBytes === undefined ? [] : [express.raw({ type: () => true, limit: takes.wholeUpToBytes })];

/** Puts the endpoints on a router that answer with files and streams: before any body is read as JSON. */
export function mountStreams(router: Router, endpoints: readonly Endpoint[], told: Told = NOBODY_TOLD): void {
  for (const { spec, stream } of endpoints) {
    if (!stream) continue;
    router[spec.method](expressPath(spec), ...wholeBody(spec), async (request: Request, response: Response) => {
      await stream(inputOf(spec, request), { request, response, told });
    });
  }
}

/** Puts the endpoints on a router that answer with JSON; Express 5 hands rejected promises to the error handler. */
export function mount(router: Router, endpoints: readonly Endpoint[], told: Told = NOBODY_TOLD): void {
  for (const e of endpoints) {
    if (e.stream) continue;
    router[e.spec.method](expressPath(e.spec), (request: Request, response: Response) =>
      run(e, request, response, told),
    );
  }
}

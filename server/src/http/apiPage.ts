import type { Endpoint, EndpointSpec } from './endpoint';

type Spec = EndpointSpec<unknown, unknown, unknown>;

const ESCAPED: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
const escape = (text: string) => text.replaceAll(/[&<>"]/g, (c) => ESCAPED[c]!);

/** The resource that an endpoint belongs to: the first word of its path. */
const resourceOf = ({ path }: Spec) => /^\/([a-z-]+)/.exec(path)?.[1] ?? 'other';

function takesWords({ body, takes, versioned, query }: Spec): string[] {
  const words: string[] = [];
  if (takes) words.push(`Send ${takes.types.join(' or ')}.`);
  else if (body) words.push('Send JSON.');
  if (versioned) words.push('Name the version that you read in <code>If-Match</code>.');
  if (query) words.push('Takes filters in its query.');
  return words;
}

function answerWords({ answers }: Spec): string {
  const lines = Object.entries(answers).map(([status, { description, types, schema }]) => {
    const kind = types?.join(', ') ?? (schema ? 'JSON' : '');
    return `<li><code>${status}</code> ${escape(description)}${kind ? ` <small>${escape(kind)}</small>` : ''}</li>`;
  });
  return `<ul>${lines.join('')}</ul>`;
}

function endpointHtml(prefix: string, { spec }: Endpoint): string {
  const takes = takesWords(spec);
  return [
    `<article><h3><code>${spec.method.toUpperCase()}</code> <code>${escape(prefix + spec.path)}</code></h3>`,
    `<p>${escape(spec.summary)}.${takes.length > 0 ? ` ${takes.join(' ')}` : ''}</p>`,
    answerWords(spec),
    '</article>',
  ].join('');
}

const STYLE = `
body { font: 17px/1.5 system-ui, sans-serif; max-width: 60rem; margin: 2rem auto; padding: 0 1rem; color: #0d2b26; background: #fbfaf6; }
h3 { font-size: 1rem; margin: 1.5rem 0 0; } p, ul { margin: 0.25rem 0; } code { background: #eeebe3; padding: 0 0.25em; }
nav a { margin-right: 1em; } a { color: #23594e; }`;

/**
 * The API as a page to be read: every endpoint by its resource, from the descriptions that guard its borders.
 * @param nonce of the answer, which its style needs
 */
export function apiPage(
  endpoints: readonly Endpoint[],
  prefix: string,
  schemas: readonly string[],
  nonce: string,
): string {
  const resources = [...new Set(endpoints.map((e) => resourceOf(e.spec)))].sort();
  const sections = resources.map((resource) => {
    const own = endpoints.filter((e) => resourceOf(e.spec) === resource);
    const articles = own.map((e) => endpointHtml(prefix, e)).join('');
    return `<section id="${resource}"><h2>${resource}</h2>${articles}</section>`;
  });
  const formats = schemas.map((name) => `<a href="${prefix}/schemas/${name}">${escape(name)}</a>`);
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Warm Jar: the API</title>
<meta name="viewport" content="width=device-width"><style nonce="${escape(nonce)}">${STYLE}</style></head>
<body><h1>Warm Jar: the API</h1>
<p>Everything that the screens do can be done from here. The same as <a href="${prefix}/openapi.json">OpenAPI 3.1</a>.
What is refused says why, each field by its path.</p>
<p>Documents: ${formats.join(', ')}.</p>
<nav>${resources.map((r) => `<a href="#${r}">${r}</a>`).join('')}</nav>
${sections.join('\n')}
</body></html>`;
}

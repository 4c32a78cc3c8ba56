import { resolve } from 'node:path';
import { z } from 'zod';
import { isLoopback } from './access/hosts';
import type { Mode } from './access/gate';

const list = z
  .string()
  .transform((text) =>
    text
      .split(',')
      .map((part) => part.trim())
      .filter(Boolean),
  )
  .pipe(z.array(z.string().max(200)).max(50));

const environment = z
  .object({
    PORT: z.coerce.number('PORT must be a number').int().min(0).max(65_535).default(4310),
    HOST: z.string().min(1).default('127.0.0.1'),
    WARM_JAR_DATA: z.string().min(1).default('data'),
    /** How many times faster the studio's clock runs, 0 where it stands: for trying a run out, and for tests. */
    WARM_JAR_SPEED: z.coerce.number('WARM_JAR_SPEED must be a number').min(0).max(600).default(1),
    /**
     * The moment that the studio's clock starts at, `2027-03-18T14:30`: for showing the demo of a day, and for tests.
     */
    WARM_JAR_NOW: z.iso
      .datetime({ local: true, offset: true, error: 'WARM_JAR_NOW is a day and time, such as 2027-03-18T14:30' })
      .transform((text) => new Date(text))
      .optional(),
    /** `own`: by an authority made on this machine; `off`: plain HTTP. */
    WARM_JAR_TLS: z.enum(['own', 'off'], 'WARM_JAR_TLS is own or off').optional(),
    /** A certificate and its key that somebody else gave, as files of PEM. */
    WARM_JAR_CERT: z.string().min(1).optional(),
    WARM_JAR_KEY: z.string().min(1).optional(),
    /** Where the certificate is handed out, by plain HTTP; the next port where it is not given. */
    WARM_JAR_TRUST_PORT: z.coerce.number('WARM_JAR_TRUST_PORT must be a number').int().min(0).max(65_535).optional(),
    /** Addresses of proxies in front of this server, by commas. */
    WARM_JAR_PROXY: list.optional(),
    /** Where the studio is reached from outside, such as https://jar.studio.test. */
    WARM_JAR_ADDRESS: z.url({ protocol: /^https?$/, error: 'WARM_JAR_ADDRESS begins with https://' }).optional(),
  })
  .superRefine((env, ctx) => {
    if ((env.WARM_JAR_CERT === undefined) !== (env.WARM_JAR_KEY === undefined))
      ctx.addIssue({
        code: 'custom',
        path: [env.WARM_JAR_CERT === undefined ? 'WARM_JAR_CERT' : 'WARM_JAR_KEY'],
        message: 'a certificate needs its key, and a key its certificate: set both',
      });
  });

/** How the server speaks: plainly, by a certificate of its own authority, or by one that was given. */
export type Tls =
  | { readonly by: 'none' }
  | { readonly by: 'own'; readonly trustPort: number }
  | { readonly by: 'given'; readonly cert: string; readonly key: string };

export interface Config {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly demo: boolean;
  readonly speed: number;
  /** Where the studio's clock starts; at the machine's own moment where it is not told. */
  readonly now: Date | undefined;
  /** Folder of the built application. */
  readonly webRoot?: string | undefined;
  readonly mode: Mode;
  readonly proxies: readonly string[];
  readonly address: string | undefined;
  readonly tls: Tls;
}

type Environment = z.infer<typeof environment>;

function tlsOf(env: Environment, network: boolean): Tls {
  const { WARM_JAR_CERT: cert, WARM_JAR_KEY: key, WARM_JAR_TLS: wanted, WARM_JAR_PROXY: proxies } = env;
  if (cert && key) return { by: 'given', cert, key };
  // A proxy speaks TLS in front; on the loopback nobody else hears.
  const own = wanted === 'own' || (wanted === undefined && network && !proxies?.length);
  if (!own) return { by: 'none' };
  return { by: 'own', trustPort: env.WARM_JAR_TRUST_PORT ?? (env.PORT === 0 ? 0 : env.PORT + 1) };
}

function modeOf(network: boolean, args: readonly string[]): Config['mode'] {
  if (!network) return 'local';
  return args.includes('--open') ? 'open' : 'people';
}

/** Settings from the environment and the command line. @throws Error that names the wrong setting */
export function readConfig(env: Record<string, string | undefined>, args: readonly string[], webRoot?: string): Config {
  const result = environment.safeParse(env);
  if (!result.success) throw new Error(result.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
  const { PORT, HOST, WARM_JAR_DATA, WARM_JAR_SPEED, WARM_JAR_PROXY, WARM_JAR_ADDRESS } = result.data;
  const demo = args.includes('--demo');
  const proxies = WARM_JAR_PROXY ?? [];
  // Behind a proxy the loopback is no shelter: what comes from it comes from anywhere.
  const network = !isLoopback(HOST) || proxies.length > 0;
  return {
    port: PORT,
    host: HOST,
    demo,
    speed: WARM_JAR_SPEED,
    now: result.data.WARM_JAR_NOW,
    webRoot,
    file: resolve(WARM_JAR_DATA, demo ? 'demo.sqlite' : 'studio.sqlite'),
    mode: modeOf(network, args),
    proxies,
    address: WARM_JAR_ADDRESS?.replace(/\/+$/, ''),
    tls: tlsOf(result.data, network),
  };
}

import { resolve } from 'node:path';
import { z } from 'zod';

const environment = z.object({
  PORT: z.coerce.number('PORT must be a number').int().min(0).max(65_535).default(4310),
  HOST: z.string().min(1).default('127.0.0.1'),
  WARM_JAR_DATA: z.string().min(1).default('data'),
  /** How many times faster the studio's clock runs: for trying a run out, and for tests. */
  WARM_JAR_SPEED: z.coerce.number('WARM_JAR_SPEED must be a number').min(1).max(600).default(1),
});

export interface Config {
  readonly port: number;
  readonly host: string;
  readonly file: string;
  readonly demo: boolean;
  readonly speed: number;
  /** Folder of the built application. */
  readonly webRoot?: string | undefined;
}

/** Settings from the environment and the command line. @throws Error that names the wrong setting */
export function readConfig(env: Record<string, string | undefined>, args: readonly string[], webRoot?: string): Config {
  const result = environment.safeParse(env);
  if (!result.success) throw new Error(result.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
  const { PORT, HOST, WARM_JAR_DATA, WARM_JAR_SPEED } = result.data;
  const demo = args.includes('--demo');
  return {
    port: PORT,
    host: HOST,
    demo,
    speed: WARM_JAR_SPEED,
    webRoot,
    file: resolve(WARM_JAR_DATA, demo ? 'demo.sqlite' : 'studio.sqlite'),
  };
}

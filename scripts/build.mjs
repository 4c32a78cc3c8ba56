import { ensureBuilt } from './setup/build.mjs';
import { ensureInstalled } from './setup/install.mjs';

await ensureInstalled();
await ensureBuilt();

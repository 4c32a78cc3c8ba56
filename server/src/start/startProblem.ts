import { DatabaseDamaged, NewerDatabase } from '../store/databaseProblem';
import { FolderTaken, type Owner } from './folderLock';

/** Thrown where the disk has too little room to begin with. */
export class NoRoom extends Error {
  constructor(
    readonly folder: string,
    readonly leftBytes: number,
  ) {
    super(`${leftBytes} bytes left for ${folder}`);
    this.name = 'NoRoom';
  }
}

/** Thrown where others could reach the studio, and nobody is set up to come in. */
export class NobodySetUp extends Error {
  constructor() {
    super('Nobody is set up to come in.');
    this.name = 'NobodySetUp';
  }
}

/** What was to be started. */
export interface Starting {
  readonly host: string;
  readonly port: number;
  readonly file: string;
  readonly folder: string;
}

/** The system's or the driver's own name for what went wrong, wherever in the chain of causes it stands. */
function codeOf(error: unknown, depth = 5): string | null {
  if (typeof error !== 'object' || error === null || depth === 0) return null;
  const { code, cause, original, parent } = error as Record<string, unknown>;
  if (typeof code === 'string' && code !== 'SQLITE_ERROR') return code;
  return [cause, original, parent].reduce<string | null>((found, e) => found ?? codeOf(e, depth - 1), null);
}

const ownerWords = (owner: Owner | null) =>
  owner === null ? '' : `: process ${owner.pid}${owner.address ? `, at ${owner.address}` : ''}`;

/** What the system says beside its name for it. */
interface Told {
  readonly port?: number;
  readonly path?: string;
}

/** One sentence and what to do, by what the system said. */
const BY_CODE: Readonly<Record<string, (s: Starting, told: Told) => string>> = {
  EADDRINUSE: ({ host, port }, told) =>
    told.port === undefined || told.port === port
      ? `Another program answers at ${host}:${port} already. Stop it, or choose a free port: PORT=${port + 1}.`
      : `Another program answers at ${host}:${told.port} already, where the certificate was to be handed out. Set WARM_JAR_TRUST_PORT to a free port.`,
  ENOENT: (_, { path }) => `There is no file ${path ?? 'of that name'}. See that the settings name it as it is.`,
  EADDRNOTAVAIL: ({ host }) => `This computer has no address ${host}. Set HOST to one of its own, or leave it out.`,
  ENOTFOUND: ({ host }) => `HOST names ${host}, which cannot be found. Set it to an address of this computer.`,
  EACCES: ({ folder, port }) =>
    `This user may not use port ${port}, or not write into ${folder}. Choose a port above 1023, or give the folder to this user.`,
  EPERM: ({ folder }) => `This user may not write into ${folder}. Give the folder to this user, or set WARM_JAR_DATA.`,
  EROFS: ({ folder }) => `${folder} lies on a disk that can only be read. Set WARM_JAR_DATA to a folder elsewhere.`,
  ENOSPC: ({ folder }) => `The disk of ${folder} is full. Make room, then start again; nothing was changed.`,
  ENOTDIR: ({ folder }) => `${folder} is a file, or lies under one. Set WARM_JAR_DATA to a folder.`,
  EEXIST: ({ folder }) => `${folder} is a file. Set WARM_JAR_DATA to a folder.`,
  SQLITE_CANTOPEN: ({ file }) =>
    `The studio's file ${file} cannot be opened. See that it is a file, and that this user may read and write it.`,
  SQLITE_READONLY: ({ file }) =>
    `The studio's file ${file} can only be read. Give this user the right to write it and its folder.`,
  SQLITE_BUSY: ({ file }) => `Another program holds the studio's file ${file}. Close it, then start again.`,
  SQLITE_LOCKED: ({ file }) => `Another program holds the studio's file ${file}. Close it, then start again.`,
  SQLITE_FULL: ({ folder }) => `The disk of ${folder} is full. Make room, then start again; nothing was changed.`,
};

const damaged = ({ file, folder }: Starting) =>
  `The studio's file ${file} is damaged. Move it out of ${folder}, start again, and put your latest copy back under Backup.`;

/** What keeps the server from starting, as one sentence with what to do; null where nobody foresaw it. */
export function startProblem(error: unknown, starting: Starting): string | null {
  if (error instanceof FolderTaken)
    return `Warm Jar runs on ${error.folder} already${ownerWords(error.owner)}. Use that one, stop it first, or set WARM_JAR_DATA to another folder.`;
  if (error instanceof NewerDatabase)
    return `The studio's file ${starting.file} was made by a newer Warm Jar (it knows "${error.step}"). Update this one; nothing was changed.`;
  if (error instanceof NobodySetUp)
    return `Others could reach this studio at ${starting.host}, and nobody is set up to come in. Set up a lead first: npm run people -- add KO lead. Or let everybody in by saying --open.`;
  if (error instanceof NoRoom)
    return `Only ${Math.floor(error.leftBytes / 1e6)} MB are left on the disk of ${error.folder}. Make room, then start again; nothing was changed.`;
  const code = codeOf(error);
  if (error instanceof DatabaseDamaged || code === 'SQLITE_NOTADB' || code === 'SQLITE_CORRUPT')
    return damaged(starting);
  if (code?.startsWith('ERR_OSSL'))
    return 'The certificate that was given, or its key, cannot be read. WARM_JAR_CERT and WARM_JAR_KEY name files of PEM that belong together.';
  return code === null ? null : (BY_CODE[code]?.(starting, error as Told) ?? null);
}

import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import Joi from 'joi';

/** Everything the server takes from outside when it starts. */
export interface Config {
  readonly port: number;
  readonly host: string;
  readonly databaseUrl: string;
  /** Signs the session cookies. */
  readonly sessionSecret: string;
  /** Address people type, when a reverse proxy stands in front; null on loopback. */
  readonly publicUrl: string | null;
  /** Express "trust proxy" hops. */
  readonly trustedProxies: number;
  /** Folder of the built web application; null serves the API only. */
  readonly webRoot: string | null;
  readonly logLevel: string;
  /** File that the log goes to, with a number before its ending; null for the console. */
  readonly logFile: string | null;
  /** File that ids of erased clients are written to, for a restore; null for none. */
  readonly erasedFile: string | null;
  /** Milliseconds between being told to end and taking no more connections: health says so meanwhile. */
  readonly graceMs: number;
}

/** Where the build puts the web application, seen from the bundle and from the sources alike. */
const DEFAULT_WEB_ROOT = fileURLToPath(new URL('../../web/dist/web', import.meta.url));

const schema = Joi.object({
  PORT: Joi.number().port().default(4100),
  HOST: Joi.string().default('127.0.0.1'),
  DATABASE_URL: Joi.string()
    .uri({ scheme: ['mysql', 'mariadb'] })
    .required(),
  SESSION_SECRET: Joi.string().min(32).optional(),
  PUBLIC_URL: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .optional(),
  TRUSTED_PROXIES: Joi.number().integer().min(0).max(10).default(0),
  WEB_ROOT: Joi.string().default(DEFAULT_WEB_ROOT),
  LOG_FILE: Joi.string().optional(),
  ERASED_FILE: Joi.string().optional(),
  STOP_GRACE_MS: Joi.number().integer().min(0).max(60_000).default(0),
  LOG_LEVEL: Joi.string().valid('trace', 'debug', 'info', 'warn', 'error', 'silent').default('info'),
}).unknown(true);

/**
 * Reads the settings from environment variables.
 * @throws Error naming each setting that is missing or wrong
 */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const result = schema.validate(env, { abortEarly: false });
  if (result.error) throw new Error(`Settings: ${result.error.details.map((d) => d.message).join('; ')}`);
  const v = result.value as Record<string, unknown>;
  const webRoot = String(v['WEB_ROOT']);
  return {
    port: Number(v['PORT']),
    host: String(v['HOST']),
    databaseUrl: String(v['DATABASE_URL']).replace(/^mariadb:/, 'mysql:'),
    // Without a given secret the sessions end with the process, which is safe.
    sessionSecret: (v['SESSION_SECRET'] as string | undefined) ?? randomBytes(32).toString('hex'),
    publicUrl: (v['PUBLIC_URL'] as string | undefined) ?? null,
    trustedProxies: Number(v['TRUSTED_PROXIES']),
    webRoot: existsSync(webRoot) ? webRoot : null,
    logLevel: String(v['LOG_LEVEL']),
    logFile: (v['LOG_FILE'] as string | undefined) ?? null,
    erasedFile: (v['ERASED_FILE'] as string | undefined) ?? null,
    graceMs: Number(v['STOP_GRACE_MS']),
  };
}

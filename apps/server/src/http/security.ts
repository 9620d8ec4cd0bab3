import type { RequestHandler } from 'express';
import helmet from 'helmet';
import type { Config } from '../config.js';
import { HttpProblem } from './problem.js';

/** Headers of every answer. Styles may be inline (component styles are put in at run time); scripts never. */
export function securityHeaders(config: Pick<Config, 'publicUrl'>): RequestHandler {
  const https = config.publicUrl?.startsWith('https:') ?? false;
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // The composer's solver is WebAssembly; that word lets it be compiled and nothing else.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        scriptSrcAttr: ["'none'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        ...(https ? { upgradeInsecureRequests: [] } : {}),
      },
    },
    referrerPolicy: { policy: 'no-referrer' },
    strictTransportSecurity: https,
  });
}

/** What a page of ours may use of the device: the camera for pictures, motion for the phone as inclinometer, the screen kept awake. */
const PERMISSIONS = [
  'accelerometer=(self)',
  'gyroscope=(self)',
  'camera=(self)',
  'screen-wake-lock=(self)',
  ...['geolocation', 'microphone', 'payment', 'usb', 'bluetooth', 'serial', 'midi', 'display-capture'].map(
    (p) => `${p}=()`,
  ),
].join(', ');

export const permissionsPolicy: RequestHandler = (_req, res, next) => {
  res.setHeader('permissions-policy', PERMISSIONS);
  next();
};

/**
 * Refuses to sign anybody in where the cookie would not be set: over plain HTTP to a Yandle that is set up for HTTPS the answer would look
 * like success, and the next request like a stranger's.
 */
export function cookieCanBeSet(config: Pick<Config, 'publicUrl'>): RequestHandler {
  return (req, _res, next) => {
    if (config.publicUrl?.startsWith('https:') && !req.secure)
      throw new HttpProblem(
        'sign-in-refused',
        `This Yandle signs in over HTTPS only, and this came over HTTP. Open ${config.publicUrl}. If you did, whoever runs it has to set TRUSTED_PROXIES.`,
      );
    next();
  };
}

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Kinds of body taken. None of them can come from a plain form of another site. */
const KINDS = ['application/json', 'text/csv', 'application/x-yandle-results+json', 'image/jpeg', 'image/png'];

/**
 * Refuses writes that another site's page sends with our cookie, and bodies of a kind that a plain form could send.
 */
export const sameSiteWrites: RequestHandler = (req, _res, next) => {
  if (SAFE.has(req.method)) return next();
  const site = req.get('sec-fetch-site');
  if (site !== undefined && site !== 'same-origin' && site !== 'none')
    throw new HttpProblem('cross-site', 'This came from a page of another site. Use Yandle itself.');
  const origin = req.get('origin');
  if (origin !== undefined && hostOf(origin) !== req.get('host'))
    throw new HttpProblem('cross-site', 'This came from a page of another site. Use Yandle itself.');
  const hasBody = req.get('transfer-encoding') !== undefined || Number(req.get('content-length') ?? 0) > 0;
  if (hasBody && !req.is(KINDS))
    throw new HttpProblem('unsupported-media-type', 'Send the body as application/json in UTF-8.');
  next();
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

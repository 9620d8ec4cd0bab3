import compression from 'compression';
import express, { type Express } from 'express';
import session from 'express-session';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DataSource } from 'typeorm';
import { v4 as uuid } from 'uuid';
import { guestsRead, requireCoach } from './accounts/context.js';
import { ownAccountRoutes } from './accounts/own-account.js';
import { accountRoutes } from './accounts/routes.js';
import type { DatabaseSessionStore } from './accounts/session-store.js';
import { pictureRoutes } from './assessments/pictures.js';
import { assessmentRoutes } from './assessments/routes.js';
import { blockRoutes } from './blocks/routes.js';
import { calendarFeedRoutes, calendarRoutes } from './calendar/routes.js';
import { checkInRoutes } from './check-ins/routes.js';
import { clientRoutes } from './clients/routes.js';
import type { Clock } from './clock.js';
import type { Config } from './config.js';
import type { HealthProbe } from './database/health-probe.js';
import { jsonBody } from './http/body-depth.js';
import { errorForLog, errorHandler } from './http/error-handler.js';
import { gate } from './http/gate.js';
import { pathForLog } from './http/log-path.js';
import { deviceRoutes } from './devices/routes.js';
import { exerciseRoutes } from './exercises/routes.js';
import { prioritiesRoutes } from './priorities/routes.js';
import { healthRoutes, type Life } from './http/health.js';
import { oldPaths } from './http/old-paths.js';
import { HttpProblem } from './http/problem.js';
import { cookieCanBeSet, permissionsPolicy, sameSiteWrites, securityHeaders } from './http/security.js';
import { webFiles } from './http/web-files.js';
import { progressRoutes } from './progress/routes.js';
import { openReportRoutes, reportRoutes } from './reports/routes.js';
import { reviewRoutes } from './review/routes.js';
import { fillInRoutes } from './screening/fill-in.js';
import { screeningRoutes } from './screening/routes.js';
import { sessionRoutes } from './sessions/routes.js';
import { phoneLinkRoutes } from './phone/routes.js';
import { phoneRoutes } from './phone/phone-routes.js';
import { routineRoutes } from './routines/routes.js';
import { styleRoutes } from './styles/routes.js';
import { templateRoutes } from './templates/routes.js';
import { testCatalogueRoutes } from './test-catalogue/routes.js';
import { Limits } from './limits/limit.js';
import { erasedFile } from './privacy/erased-file.js';
import { privacyRoutes } from './privacy/routes.js';
import { studioRoutes } from './studio/routes.js';
import { todayRoutes } from './today/routes.js';
import { transferRoutes } from './transfer/routes.js';

const MONTH_MS = 30 * 24 * 60 * 60 * 1000;

export interface AppParts {
  readonly config: Pick<Config, 'publicUrl' | 'trustedProxies' | 'webRoot' | 'sessionSecret' | 'erasedFile'>;
  readonly source: DataSource;
  readonly store: DatabaseSessionStore;
  readonly clock: Clock;
  readonly log: Logger;
  readonly probe: HealthProbe;
  readonly life: Life;
}

/** The Express application, not yet listening. */
export function createApp({ config, source, store, clock, log, probe, life }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', config.trustedProxies);
  app.use(
    pinoHttp({
      logger: log,
      genReqId: (_req, res) => {
        const id = uuid();
        res.setHeader('x-request-id', id);
        return id;
      },
      // Bodies, cookies and queries stay out of the log: they are about people.
      serializers: {
        req: (r: { id: unknown; method: string; url: string }) => ({
          id: r.id,
          method: r.method,
          path: pathForLog(r.url),
        }),
        res: (r: { statusCode: number }) => ({ status: r.statusCode }),
        err: errorForLog,
      },
      customLogLevel: (_req, res, err) => (err || res.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  app.use(securityHeaders(config));
  app.use(permissionsPolicy);
  // Low: lists are long and have to be there at once.
  app.use(compression({ level: 3 }));

  const api = express.Router();
  api.use((_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  api.use(oldPaths);
  api.use(healthRoutes(probe, life));
  api.use(sameSiteWrites);
  // After the body has come: who sends slowly takes nobody's turn.
  api.use(jsonBody());
  api.use(gate());
  api.use(
    session({
      name: 'yandle',
      secret: config.sessionSecret,
      store,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: {
        httpOnly: true,
        sameSite: 'lax',
        secure: config.publicUrl?.startsWith('https:') ?? false,
        maxAge: MONTH_MS,
      },
    }),
  );
  const limits = new Limits(source, clock);
  api.post(['/setup', '/sign-in', '/join/:token', '/reset/:token', '/shared/open'], cookieCanBeSet(config));
  api.use(accountRoutes(source, store, clock, limits));
  api.use(fillInRoutes(source, clock, limits));
  api.use(calendarFeedRoutes(source, clock, limits));
  api.use(phoneRoutes(source, clock, config, limits));
  api.use(openReportRoutes(source, clock, limits));
  api.use(requireCoach(source, store, clock));
  api.use(ownAccountRoutes(source, limits));
  api.use(guestsRead);
  api.use(studioRoutes(source));
  api.use(privacyRoutes(source, erasedFile(config.erasedFile)));
  api.use(clientRoutes());
  api.use(assessmentRoutes());
  api.use(blockRoutes());
  api.use(sessionRoutes());
  api.use(phoneLinkRoutes());
  api.use(todayRoutes());
  api.use(progressRoutes());
  api.use(reviewRoutes());
  api.use(reportRoutes());
  api.use(checkInRoutes());
  api.use(testCatalogueRoutes());
  api.use(exerciseRoutes());
  api.use(styleRoutes());
  api.use(routineRoutes());
  api.use(templateRoutes());
  api.use(calendarRoutes());
  api.use(prioritiesRoutes());
  api.use(screeningRoutes());
  api.use(pictureRoutes());
  api.use(deviceRoutes(store, clock, life));
  api.use(transferRoutes());
  api.use((req) => {
    throw new HttpProblem(
      'not-found',
      `There is no ${req.method} ${req.baseUrl}${req.path}. See docs/api.md for what there is.`,
    );
  });
  app.use('/api/v1', api);

  if (config.webRoot) app.use(webFiles(config.webRoot));
  app.use(() => {
    throw new HttpProblem('not-found', 'There is nothing at this address. Go to the start page.');
  });
  app.use(errorHandler);
  return app;
}

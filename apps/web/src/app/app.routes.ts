import type { Routes } from '@angular/router';
import { signedInGuard, signedOutGuard } from './data/guards';

const title = (name: string) => `${name} · Yandle`;

/** Every screen is loaded when it is first opened. */
export const routes: Routes = [
  {
    path: 'sign-in',
    title: title('Sign in'),
    canActivate: [signedOutGuard],
    loadComponent: () => import('./sign-in/sign-in').then((m) => m.SignIn),
  },
  {
    path: 'setup',
    title: title('Your studio'),
    canActivate: [signedOutGuard],
    loadComponent: () => import('./setup/setup').then((m) => m.Setup),
  },
  {
    path: 'join',
    title: title('Join'),
    loadComponent: () => import('./join/join').then((m) => m.Join),
  },
  {
    path: 'reset',
    title: title('New password'),
    loadComponent: () => import('./join/reset').then((m) => m.Reset),
  },
  {
    path: 'fill-in/:token',
    title: title('Before we start'),
    loadComponent: () => import('./fill-in/fill-in').then((m) => m.FillInScreen),
  },
  {
    path: 'report',
    title: title('Your report'),
    loadComponent: () => import('./report/shared-report').then((m) => m.SharedReport),
  },
  {
    path: 's',
    loadChildren: () => import('./phone/phone.routes').then((m) => m.PHONE_ROUTES),
  },
  {
    path: 'sessions/:sessionId/run',
    title: title('Run'),
    canActivate: [signedInGuard],
    loadComponent: () => import('./run/run').then((m) => m.RunScreen),
  },
  {
    path: '',
    canActivate: [signedInGuard],
    loadComponent: () => import('./frame/frame').then((m) => m.Frame),
    children: [
      {
        path: '',
        pathMatch: 'full',
        title: title('Today'),
        loadComponent: () => import('./today/today').then((m) => m.TodayScreen),
      },
      {
        path: 'reviews',
        title: title('Weekly reviews'),
        loadComponent: () => import('./review/reviews').then((m) => m.ReviewsScreen),
      },
      {
        path: 'clients',
        title: title('Clients'),
        loadComponent: () => import('./clients/clients').then((m) => m.ClientsScreen),
      },
      {
        path: 'library',
        title: title('Library'),
        loadComponent: () => import('./library/library').then((m) => m.LibraryScreen),
      },
      {
        path: 'routines/series',
        title: title('Series'),
        loadComponent: () => import('./routines/series').then((m) => m.SeriesScreen),
      },
      {
        path: 'routines',
        title: title('Routines'),
        loadComponent: () => import('./routines/routines').then((m) => m.RoutinesScreen),
      },
      {
        path: 'styles',
        title: title('Styles'),
        loadComponent: () => import('./styles/styles').then((m) => m.StylesScreen),
      },
      {
        path: 'tests',
        title: title('Tests'),
        loadComponent: () => import('./tests/tests').then((m) => m.TestsScreen),
      },
      {
        path: 'error',
        title: title('Measurement error'),
        loadComponent: () => import('./reliability/reliability').then((m) => m.ReliabilityScreen),
      },
      {
        path: 'data',
        title: title('Import and export results'),
        loadComponent: () => import('./transfer/transfer').then((m) => m.TransferScreen),
      },
      {
        path: 'account',
        title: title('Account'),
        loadComponent: () => import('./account/account').then((m) => m.AccountScreen),
      },
      {
        path: 'studio',
        title: title('Studio'),
        loadComponent: () => import('./studio/studio').then((m) => m.StudioScreen),
      },
      {
        path: 'clients/new',
        title: title('New client'),
        loadComponent: () => import('./intake/new-client').then((m) => m.NewClient),
      },
      {
        path: 'clients/:clientId',
        loadComponent: () => import('./frame/client-frame').then((m) => m.ClientFrame),
        children: [
          { path: '', pathMatch: 'full', redirectTo: 'intake' },
          {
            path: 'intake',
            title: title('Intake'),
            loadComponent: () => import('./intake/intake').then((m) => m.Intake),
          },
          {
            path: 'record',
            title: title('Record'),
            loadComponent: () => import('./record/record').then((m) => m.RecordScreen),
          },
          {
            path: 'measure',
            title: title('Measure'),
            loadComponent: () => import('./measure/measure').then((m) => m.MeasureScreen),
          },
          {
            path: 'findings',
            title: title('Findings'),
            loadComponent: () => import('./findings/findings').then((m) => m.FindingsScreen),
          },
          {
            path: 'block',
            title: title('Block'),
            loadComponent: () => import('./block/block').then((m) => m.BlockScreen),
          },
          {
            path: 'block/why',
            title: title('Why this plan'),
            loadComponent: () => import('./block/rationale').then((m) => m.RationaleScreen),
          },
          {
            path: 'block/earlier/:blockId',
            title: title('Earlier block'),
            loadComponent: () => import('./block/earlier-block').then((m) => m.EarlierBlock),
          },
          {
            path: 'sessions',
            title: title('Sessions'),
            loadComponent: () => import('./sessions/sessions').then((m) => m.SessionsScreen),
          },
          {
            path: 'sessions/:sessionId',
            title: title('Session'),
            loadComponent: () => import('./sessions/sheet').then((m) => m.SessionSheet),
          },
          {
            path: 'timings',
            title: title('Timings'),
            loadComponent: () => import('./timings/timings').then((m) => m.TimingsScreen),
          },
          {
            path: 'review',
            title: title('Review'),
            loadComponent: () => import('./review/review').then((m) => m.ReviewScreen),
          },
          {
            path: 'report',
            title: title('Report'),
            loadComponent: () => import('./report/report').then((m) => m.ReportScreen),
          },
          {
            path: 'progress',
            title: title('Progress'),
            loadComponent: () => import('./progress/progress').then((m) => m.ProgressScreen),
          },
        ],
      },
      {
        path: '**',
        title: title('Not found'),
        loadComponent: () => import('./frame/not-found').then((m) => m.NotFound),
      },
    ],
  },
];

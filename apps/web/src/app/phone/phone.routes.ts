import type { Routes } from '@angular/router';
import { Outbox } from '../data/outbox/outbox';
import { RunGateway } from '../run/run-gateway';
import { PhoneGateway } from './phone-gateway';
import { PhoneOutbox } from './phone-outbox';
import { PhoneRun } from './phone-run';
import { PhoneStart } from './phone-start';
import { PhoneStore } from './phone.store';

/** The client's own pages: no coach's account, nothing but their sessions. */
export const PHONE_ROUTES: Routes = [
  {
    path: '',
    providers: [
      PhoneStore,
      PhoneOutbox,
      { provide: Outbox, useExisting: PhoneOutbox },
      { provide: RunGateway, useClass: PhoneGateway },
    ],
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'start' },
      { path: 'start', title: 'Your sessions · Yandle', component: PhoneStart },
      { path: 'run/:sessionId', title: 'Session · Yandle', component: PhoneRun },
    ],
  },
];

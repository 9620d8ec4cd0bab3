import {
  BLOCK_DEFAULTS,
  DEFAULT_TIMINGS,
  METRIC,
  type BlockDefaults,
  type DisplayUnits,
  type FirstWeekday,
  type StudioTimings,
} from '@yandle/core';
import type { CoachRole, CoachSummary } from './accounts.js';

/** A coach as the owner sees them. */
export interface CoachView extends CoachSummary {
  readonly email: string;
  readonly role: CoachRole;
  /** Clients whose lead this coach is, without archived ones. */
  readonly clients: number;
  readonly secondFactor: boolean;
  /** The newest sign-in of a browser that is still signed in. */
  readonly signedInAt: string | null;
  readonly standInId: string | null;
  readonly standInUntil: string | null;
}

/** A link by which somebody may come in, not used yet. */
export interface InvitationView {
  readonly id: string;
  readonly note: string;
  readonly role: CoachRole;
  readonly expiresAt: string;
}

/** How long archived clients are kept, in months; null keeps them. */
export const RETENTION = { min: 1, max: 600 } as const;

export interface StudioView {
  readonly name: string;
  readonly timeZone: string;
  readonly retentionMonths: number | null;
  readonly coaches: readonly CoachView[];
  readonly invitations: readonly InvitationView[];
}

export interface EditStudioBody {
  readonly name: string;
  readonly timeZone: string;
  readonly retentionMonths: number | null;
}

/** What a studio has settled for all its clients. */
export interface StudioSettings {
  /** Seconds of everything in a session that is no stretch. */
  readonly timings: StudioTimings;
  readonly firstWeekday: FirstWeekday;
  /** What screens show; stored and computed is metric. */
  readonly units: DisplayUnits;
  /** What a new block begins with. */
  readonly block: Omit<BlockDefaults, 'firstWeekday'>;
  /** Minutes of a session of a new client. */
  readonly minutesPerSession: number;
}

const { breath: _ownOfClient, ...USUAL_TIMINGS } = DEFAULT_TIMINGS;
const { firstWeekday, ...USUAL_BLOCK } = BLOCK_DEFAULTS;

/** Of a studio that has settled nothing yet. */
export const DEFAULT_SETTINGS: StudioSettings = {
  timings: USUAL_TIMINGS,
  firstWeekday,
  units: METRIC,
  block: USUAL_BLOCK,
  minutesPerSession: 20,
};

export interface InviteBody {
  readonly role: CoachRole;
  /** For whom it is: a note for the list. */
  readonly note: string;
}

/** A private address, given out once. */
export interface LinkMade {
  /** Below the address of this Yandle: `/join#…`. */
  readonly path: string;
  readonly expiresAt: string;
}

export interface EditCoachBody {
  readonly role: CoachRole;
}

export interface StandInBody {
  readonly standInId: string | null;
  readonly until: string | null;
}

export interface RemoveCoachBody {
  /** Who takes the clients over. */
  readonly clientsTo: string;
}

/** A link that opens something of a client without an account. */
export interface OpenLink {
  readonly kind: 'phone' | 'intake' | 'calendar';
  readonly clientId: string;
  readonly clientName: string;
  readonly madeAt: string;
  /** Null for one that does not end by itself. */
  readonly expiresAt: string | null;
  readonly usedAt: string | null;
}

/** Who did something: a coach, a client through a link, the program by itself, or whoever runs the server. */
export const AUDIT_ACTORS = ['coach', 'client', 'system', 'server'] as const;
export type AuditActor = (typeof AUDIT_ACTORS)[number];

/** What is written down with who, when and from where. */
export const AUDIT_ACTIONS = [
  'studio-set-up',
  'studio-changed',
  'signed-in',
  'sign-in-refused',
  'signed-out-everywhere',
  'device-signed-out',
  'password-changed',
  'password-reset',
  'second-factor-on',
  'second-factor-off',
  'recovery-code-used',
  'reset-link-made',
  'coach-invited',
  'invitation-ended',
  'coach-joined',
  'coach-role-changed',
  'coach-removed',
  'stand-in-set',
  'client-added',
  'client-archived',
  'client-restored',
  'client-exported',
  'client-erased',
  'client-erased-by-term',
  'results-exported',
  'results-imported',
  'consent-given',
  'consent-withdrawn',
  'answer-erased',
  'cleared-by-professional',
  'hand-on-head-allowed',
  'nerve-glides-on',
  'nerve-glides-off',
  'stop-sign-cleared',
  'block-published',
  'block-ended',
  'block-resumed',
  'assessment-removed',
  'assessment-restored',
  'assessment-erased',
  'log-withdrawn',
  'log-restored',
  'phone-link-made',
  'report-link-made',
  'report-link-ended',
  'phone-link-ended',
  'intake-link-made',
  'calendar-link-made',
  'calendar-link-ended',
  'late-log-accepted',
  'late-log-rejected',
] as const;
export type AuditAction = (typeof AUDIT_ACTIONS)[number];

export interface AuditEntry {
  readonly id: string;
  readonly at: string;
  readonly actor: AuditActor;
  /** Name of the coach; null where none did it. */
  readonly coach: string | null;
  /** The client it was about; the name is null once they are erased. */
  readonly client: { readonly id: string; readonly name: string | null } | null;
  readonly action: AuditAction;
  readonly address: string;
}

export interface AuditQuery {
  readonly client: string;
  readonly cursor: string;
}

/** Erasing asks for the name, typed. */
export interface EraseClientBody {
  readonly name: string;
}

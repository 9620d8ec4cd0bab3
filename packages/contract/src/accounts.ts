import type { StudioSettings } from './studio.js';

/** What a coach may do: an owner runs the studio, a coach works with its clients, a guest reads. */
export const COACH_ROLES = ['owner', 'coach', 'guest'] as const;
export type CoachRole = (typeof COACH_ROLES)[number];

export interface SignInBody {
  readonly email: string;
  readonly password: string;
  /** Of the authenticator app, or a recovery code; asked for where the account has a second factor. */
  readonly code?: string;
}

/** The first visit of an empty product: creates the studio and its first coach. */
export interface SetupBody {
  readonly studioName: string;
  /** IANA name: `Europe/Vienna`. */
  readonly timeZone: string;
  readonly coachName: string;
  readonly email: string;
  readonly password: string;
}

export interface CoachSummary {
  readonly id: string;
  readonly name: string;
}

/** Who is signed in, and what a screen needs from the start. */
export interface Me {
  readonly coach: CoachSummary & { readonly email: string; readonly role: CoachRole };
  readonly studio: {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly settings: StudioSettings;
  };
  readonly coaches: readonly CoachSummary[];
  /** Coaches whose clients this one looks after today. */
  readonly standingInFor: readonly string[];
  /** Today in the studio's time zone. */
  readonly today: string;
}

/** A browser that is signed in. */
export interface Device {
  readonly id: string;
  /** What the browser says it is. */
  readonly agent: string;
  readonly address: string;
  /** Null for one that signed in before this was kept. */
  readonly signedInAt: string | null;
  /** True for the one that asks. */
  readonly current: boolean;
}

/** A coach's own account. */
export interface Account {
  readonly email: string;
  readonly secondFactor: boolean;
  readonly recoveryCodesLeft: number;
  /** Who stands in today, and to which day; null for nobody. */
  readonly standIn: { readonly standInId: string; readonly until: string } | null;
  /** That the coach is qualified for nerve glides; null where they have not said so. */
  readonly nerveGlides: NerveGlidesBody | null;
  readonly devices: readonly Device[];
}

/** By what a coach is qualified for nerve glides. */
export interface NerveGlidesBody {
  /** Profession, and number of the licence. */
  readonly licence: string;
  /** Day from which it is held. */
  readonly since: string;
}

export interface ChangePasswordBody {
  readonly current: string;
  readonly password: string;
}

/** An authenticator app's secret, to be confirmed by a code. */
export interface OfferedFactor {
  readonly secret: string;
  /** `otpauth://totp/…` */
  readonly uri: string;
}

export interface ConfirmFactorBody {
  readonly code: string;
}

export interface RemoveFactorBody {
  readonly password: string;
}

/** Shown once: each signs in one time in place of a code. */
export interface RecoveryCodes {
  readonly codes: readonly string[];
}

/** Who asks somebody in, or back in. */
export interface JoinView {
  readonly studio: string;
  readonly role: CoachRole;
}
export interface JoinBody {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}
export interface ResetView {
  readonly name: string;
  readonly studio: string;
}
export interface ResetBody {
  readonly password: string;
}

export interface Health {
  /** 'stopping' while a process that was told to end answers what is under way: send new requests elsewhere. */
  readonly status: 'ok' | 'degraded' | 'stopping';
  /** 'slow' when it did not answer within a second. */
  readonly database: 'up' | 'down' | 'slow';
  /** Name of the newest migration that ran; null when the database does not answer. */
  readonly migration: string | null;
  /** True when no studio exists yet: the first visit creates one. */
  readonly needsSetup: boolean;
}

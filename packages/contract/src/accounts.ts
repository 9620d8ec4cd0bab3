export interface SignInBody {
  readonly email: string;
  readonly password: string;
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
  readonly coach: CoachSummary & { readonly email: string };
  readonly studio: { readonly id: string; readonly name: string; readonly timeZone: string };
  readonly coaches: readonly CoachSummary[];
  /** Today in the studio's time zone. */
  readonly today: string;
}

export interface Health {
  readonly status: 'ok' | 'degraded';
  readonly database: 'up' | 'down';
  /** Name of the newest migration that ran; null when the database is down. */
  readonly migration: string | null;
  /** True when no studio exists yet: the first visit creates one. */
  readonly needsSetup: boolean;
}

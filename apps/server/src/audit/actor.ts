import type { AuditActor } from '@yandle/contract';

/** Who does something, and from where. */
export interface Actor {
  readonly kind: AuditActor;
  readonly coachId: string | null;
  readonly address: string;
}

/** What the program does by itself. */
export const SYSTEM: Actor = { kind: 'system', coachId: null, address: '' };
/** What whoever runs the server does at its command line. */
export const SERVER: Actor = { kind: 'server', coachId: null, address: '' };

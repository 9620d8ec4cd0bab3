import type { FILE_VERSION, RoutineDefinition, RoutineFit, SeriesDefinition } from '@yandle/core';
import type { Versioned } from './test-catalogue.js';

/** Own routines have ids of their own kind, so that they can never be taken for one that ships. */
export const OWN_ROUTINE_PREFIX = 'own-';

/** Own series likewise. */
export const OWN_SERIES_PREFIX = 'own-';

export type OwnRoutineBody = RoutineDefinition &
  Versioned & {
    readonly archived: boolean;
    /** The client it is for alone; null for the studio's. */
    readonly clientId: string | null;
  };

export interface OwnRoutine extends RoutineDefinition {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly clientId: string | null;
}

/** What a routine was before an edit. Newest first. */
export interface RoutineVersion {
  readonly version: number;
  readonly at: string;
  readonly definition: RoutineDefinition;
}

/** The file that routines travel in. */
export interface RoutineFile {
  readonly format: 'yandle-routines';
  readonly formatVersion: typeof FILE_VERSION;
  readonly routines: readonly RoutineDefinition[];
}

/** Asks how clients can do a list, and how long it takes each of them. */
export interface FitRoutineBody extends Pick<RoutineDefinition, 'items' | 'alreadyWarm' | 'rounds' | 'pacing'> {
  readonly clientIds: readonly string[];
  /** Where it takes place; null for anywhere, left out for the usual place of each. */
  readonly placeId?: string | null;
}

/** A list as one client can do it at a place, with why not where they cannot do anything. */
export interface ClientRoutineFit extends RoutineFit {
  readonly clientId: string;
  readonly clientName: string;
  /** True while the client sees a doctor first, or everything is on hold: no session until then. */
  readonly waits: boolean;
  /** The place that was looked at, their usual one where none was asked for; null where none is known. */
  readonly placeId: string | null;
  /** Length with this client's timings, seconds. */
  readonly totalSeconds: number;
}

/** A series of the studio's own. */
export type OwnSeriesBody = SeriesDefinition & Versioned & { readonly archived: boolean };

export interface OwnSeries extends SeriesDefinition {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
}

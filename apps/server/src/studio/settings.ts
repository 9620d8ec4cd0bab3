import { DEFAULT_SETTINGS, type StudioSettings } from '@yandle/contract';
import {
  clientPace,
  pacedTimings,
  timingsFor,
  type ClientPace,
  type Pacing,
  type SessionPacing,
  type Timings,
} from '@yandle/core';
import type { StudioEntity } from '../accounts/entities.js';
import type { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';

/** What a studio has settled; what it has not is as usual. */
export function settingsOf({ settings }: Pick<StudioEntity, 'settings'>): StudioSettings {
  if (!settings) return DEFAULT_SETTINGS;
  return {
    ...DEFAULT_SETTINGS,
    ...settings,
    timings: { ...DEFAULT_SETTINGS.timings, ...settings.timings },
    block: { ...DEFAULT_SETTINGS.block, ...settings.block },
  };
}

/** Writes down what a studio settles from now on. Plans and lengths that were published stay as they are until they are planned anew. */
export async function putSettings(data: StudioData, settings: StudioSettings): Promise<void> {
  await data.transaction(async (tx) => {
    await tx.updateStudio({ settings });
    await tx.audit('studio-changed');
  });
}

/** How quick the changes of a client's sessions are. */
export function pacingOf({ brisk, ownTimings }: Pick<ClientEntity, 'brisk' | 'ownTimings'>): Pacing {
  return { brisk, own: ownTimings ?? {} };
}

/** Timings of a client's sessions but for the breath: the studio's, brisk for a practised one, and what is the client's own. */
export function paceOf(
  studio: Pick<StudioEntity, 'settings'>,
  client: Pick<ClientEntity, 'brisk' | 'ownTimings'>,
): ClientPace {
  return clientPace(settingsOf(studio).timings, pacingOf(client));
}

/** Timings of each session of a client, by the session's own pacing, with the client's breath. */
export type TimingsBy = (session: { readonly pacing?: SessionPacing | null }) => Timings;

/** Timings of the sessions of a client: what their pacing makes of the client's. */
export async function timingsBy(
  data: StudioData,
  client: Pick<ClientEntity, 'breathSeconds' | 'brisk' | 'ownTimings'>,
): Promise<TimingsBy> {
  const pace = paceOf(await data.studio(), client);
  return ({ pacing = null }) => timingsFor(client.breathSeconds, pacedTimings(pace, pacing));
}

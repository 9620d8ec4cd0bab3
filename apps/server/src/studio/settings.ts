import { DEFAULT_SETTINGS, type StudioSettings } from '@yandle/contract';
import { briskTimings, timingsFor, type StudioTimings, type Timings } from '@yandle/core';
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

/** Timings of a client but for the breath: the studio's, brisk for a practised one. */
export function pacedTimings(
  studio: Pick<StudioEntity, 'settings'>,
  { brisk }: Pick<ClientEntity, 'brisk'>,
): StudioTimings {
  const { timings } = settingsOf(studio);
  return brisk ? briskTimings(timings) : timings;
}

/** Timings of a client: the studio's, brisk for a practised one, with the client's own breath. */
export async function clientTimings(
  data: StudioData,
  client: Pick<ClientEntity, 'breathSeconds' | 'brisk'>,
): Promise<Timings> {
  return timingsFor(client.breathSeconds, pacedTimings(await data.studio(), client));
}

import {
  allowedOf,
  chooseExercises,
  onPlateau,
  placed,
  techniqueBar,
  type ChangedBefore,
  type LaneDraft,
  type TechniqueExercise,
} from '@yandle/core';
import type { Block, Lane } from '@yandle/contract';
import type { BlockEntity } from '../blocks/entities.js';
import { contextOf, measuredOf, type Planner } from '../blocks/planning.js';
import { prepared } from '../blocks/sound-plan.js';
import { ClientEntity } from '../clients/entities.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';

/** What a change of one thing brings a lane. */
export interface LaneChangeTo {
  /** The style from then on; null for a step of dose in the style it is in. */
  readonly styleId: string | null;
  /** The lane's exercises, with those that the style needs. */
  readonly exercises: readonly TechniqueExercise[];
}

/**
 * What lanes on a plateau change to, by lane; those that have nothing to change to, or whose client may not be planned for now, are left out.
 * @param before what was changed of a lane last
 */
export async function changesFor(
  data: StudioData,
  { row, block }: { readonly row: BlockEntity; readonly block: Block },
  week: number,
  lanes: readonly Lane[],
  before: (laneId: string) => ChangedBefore | null,
  planner: Planner,
): Promise<Map<string, LaneChangeTo>> {
  if (lanes.length === 0) return new Map();
  try {
    const client = await data.get(ClientEntity, row.clientId, 'client');
    const { cautions, libraries, now } = await prepared(data, client, planner);
    const { turns } = (await measuredOf(data, client, planner.timeZone, planner.today)).planned;
    const context = contextOf(client, block.choices, cautions, now, libraries);
    const allowed = allowedOf({ cautions, turns }, libraries.exercises.current);
    const plans = placed(block.choices.dayPlans, context.places, context.findExercise);
    const exercisesFor = (lane: LaneDraft, styleIds: readonly string[]): TechniqueExercise[] =>
      chooseExercises(
        lane.group,
        styleIds.map(context.findStyle),
        allowed,
        context.client.experience,
        lane.exercises,
        plans,
      );
    const out = new Map<string, LaneChangeTo>();
    for (const lane of lanes) {
      const draft = block.choices.lanes.find((l) => l.id === lane.id);
      if (!draft) continue;
      const styleId = onPlateau(
        lane.weeks,
        week,
        (technique, style) =>
          techniqueBar(technique, context.client) === null &&
          exercisesFor(draft, [style]).some((e) => e.technique === technique),
        before(lane.id),
      );
      if (styleId === undefined) continue;
      out.set(lane.id, { styleId, exercises: styleId === null ? draft.exercises : exercisesFor(draft, [styleId]) });
    }
    return out;
  } catch (err) {
    if (err instanceof HttpProblem && err.code === 'screening-blocks-planning') return new Map();
    throw err;
  }
}

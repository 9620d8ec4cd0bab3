import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { WantedGroup } from '../../measuring/findings/wanted.js';
import { isLoaded } from '../../technique/catalogue.js';
import { buildBlock } from '../block.js';
import { BLOCK_BOUNDS } from '../bounds.js';
import { blockInputOf, newLane, placed, type BlockDraft, type LaneDraft, type PlanContext } from '../draft.js';
import { chooseExercises, type AllowedExercises } from '../exercise-choice/choose-exercises.js';
import type { BlockPlan } from '../plan.js';
import { shortSessionBetween } from '../day-plan/day-plan.js';
import { reachOf, type Reach } from '../reach.js';
import type { LeftGroup, Proposal, ProposedLane, StyleChoiceFact } from './proposal.js';

/** For whom blocks are proposed. */
export interface ProposalUse {
  /** A block without lanes: its dates, day plans and defaults. */
  readonly base: BlockDraft;
  readonly context: PlanContext;
  readonly allowed: AllowedExercises;
  /** Weekly seconds a side that the client is used to; null when nothing is known. */
  readonly startingDose: (group: MuscleGroupId) => number | null;
  readonly newId: () => string;
}

interface Candidate {
  readonly wanted: WantedGroup;
  readonly styleId: string;
  readonly style: StyleChoiceFact;
  readonly lane: LaneDraft;
}

interface Tried {
  readonly draft: BlockDraft;
  readonly plan: BlockPlan;
  readonly reach: readonly Reach[];
  /** Lanes that are done in every week. */
  readonly done: readonly boolean[];
  /** Lanes that get to the favoured amount, or are not meant to. */
  readonly reaches: readonly boolean[];
}

const UPKEEP = 'upkeep';

/** Tries lanes together and remembers what came of it. */
class Trials {
  constructor(
    private readonly use: ProposalUse,
    private readonly lanesPerSession: number,
  ) {}

  candidate(wanted: WantedGroup, styleId: string, style: StyleChoiceFact): Candidate {
    const { base, context, allowed, startingDose, newId } = this.use;
    const exercises = chooseExercises(
      wanted.group,
      [context.findStyle(styleId)],
      allowed,
      context.client.experience,
      [],
      placed(base.dayPlans, context.places, context.findExercise),
    );
    const lane = { ...newLane(newId(), wanted.group, styleId, exercises), startingDose: startingDose(wanted.group) };
    return { wanted, styleId, style, lane };
  }

  try(candidates: readonly Candidate[]): Tried {
    const { base, context } = this.use;
    const draft = { ...base, lanesPerSession: this.lanesPerSession, lanes: candidates.map((c) => c.lane) };
    const input = blockInputOf(draft, context);
    const plan = buildBlock(input);
    const reach = reachOf(input, plan);
    return {
      draft,
      plan,
      reach,
      done: plan.lanes.map((l) => l.weeks.every((w) => w.kind !== 'rest')),
      reaches: plan.lanes.map((l, i) => {
        if (candidates[i]!.style.code === 'very-mobile') return true;
        const r = reach.find((x) => x.group === l.group);
        return !r || r.kind !== 'amount' || r.week !== null;
      }),
    };
  }

  /** The style that would lengthen a group for this client, the first that its lane really does. */
  main(wanted: WantedGroup, first: boolean): Candidate {
    const { client } = this.use.context;
    if (!wanted.lengthen) return this.candidate(wanted, UPKEEP, { code: 'nothing-short' });
    if (client.hypermobile) return this.candidate(wanted, 'release-lengthen-activate', { code: 'very-mobile' });
    if (first && client.experience === 'experienced') {
      const loaded = this.candidate(wanted, 'loaded-range', { code: 'can-be-loaded' });
      const [lane] = this.try([loaded]).plan.lanes;
      if (lane!.weeks.some((w) => w.kind !== 'rest' && isLoaded(w.prescription.technique))) return loaded;
    }
    return this.candidate(wanted, 'steady-hold', { code: 'plain-hold' });
  }
}

const all = (xs: readonly boolean[]): boolean => xs.every((x) => x);

function proposalOf(
  id: Proposal['id'],
  candidates: readonly Candidate[],
  left: readonly LeftGroup[],
  trials: Trials,
): Proposal {
  const { draft, plan, reach } = trials.try(candidates);
  const lanes = candidates.map(({ wanted, styleId, style }): ProposedLane => ({
    group: wanted.group,
    styleId,
    why: wanted.facts,
    style,
  }));
  return { id, draft, plan, lanes, left, reach };
}

/** Group after group while it, and all before it, get to the favoured amount; the first stays in any case. */
function fewer(wanted: readonly WantedGroup[], trials: Trials, id: Proposal['id'] = 'reach'): Proposal | null {
  const chosen: Candidate[] = [];
  let reached: readonly boolean[] = [];
  const left: LeftGroup[] = [];
  for (const w of wanted) {
    const next = trials.main(w, chosen.length === 0);
    const { done, reaches } = trials.try([...chosen, next]);
    const keeps = reached.every((r, i) => !r || reaches[i]!);
    if (all(done) && ((keeps && reaches.at(-1)!) || chosen.length === 0)) {
      chosen.push(next);
      reached = reaches;
      continue;
    }
    const alone = trials.try([next]);
    if (!all(alone.done)) left.push({ group: w.group, code: 'impossible' });
    else if (!all(alone.reaches)) left.push({ group: w.group, code: 'short-alone' });
    else left.push({ group: w.group, code: all(done) ? 'takes-reach' : 'no-room' });
  }
  return chosen.length === 0 ? null : proposalOf(id, chosen, left, trials);
}

/** All groups that have room for their upkeep; of those, from the first on, as many at full length as leave the others theirs. */
function more(wanted: readonly WantedGroup[], trials: Trials): Proposal | null {
  const left: LeftGroup[] = [];
  let chosen: Candidate[] = wanted.flatMap((w) => {
    const c = trials.candidate(w, UPKEEP, { code: w.lengthen ? 'room-for-upkeep' : 'nothing-short' });
    if (all(trials.try([c]).done)) return [c];
    left.push({ group: w.group, code: 'impossible' });
    return [];
  });
  while (chosen.length > 0) {
    const out = trials.try(chosen).done.lastIndexOf(false);
    if (out < 0) break;
    left.push({ group: chosen[out]!.wanted.group, code: 'no-room' });
    chosen = chosen.filter((_, i) => i !== out);
  }
  let reached = chosen.length === 0 ? [] : trials.try(chosen).reaches;
  for (const [i, c] of chosen.entries()) {
    if (!c.wanted.lengthen) continue;
    const next = chosen.with(i, trials.main(c.wanted, i === 0));
    const { done, reaches } = trials.try(next);
    if (!all(done) || !reaches[i] || reached.some((r, k) => r && !reaches[k])) continue;
    chosen = next;
    reached = reaches;
  }
  return chosen.length === 0 ? null : proposalOf('spread', chosen, left, trials);
}

/** True when two proposals would begin with the same lanes. */
function same(a: Proposal, b: Proposal): boolean {
  const key = (p: Proposal): string => p.lanes.map((l) => `${l.group} ${l.styleId}`).join();
  return key(a) === key(b);
}

/** Groups that get to the favoured amount, then groups that are done at all. */
const gains = (p: Proposal): readonly [number, number] => [
  p.reach.filter((r) => r.kind === 'amount' && r.week !== null).length,
  p.lanes.length,
];

/** As {@link fewer}, with short sessions on days between; null where they bring no group further, or there is no day for them. */
function between(wanted: readonly WantedGroup[], use: ProposalUse, plain: Proposal | null): Proposal | null {
  const { base, context } = use;
  const short = shortSessionBetween(base.dayPlans, context.places ?? []);
  if (!plain || !short) return null;
  const longer = { ...use, base: { ...base, dayPlans: [...base.dayPlans, short] } };
  const found = fewer(wanted, new Trials(longer, base.lanesPerSession), 'between');
  if (!found) return null;
  const [before, now] = [gains(plain), gains(found)];
  return now[0] > before[0] || (now[0] === before[0] && now[1] > before[1]) ? found : null;
}

/**
 * Blocks to begin with, each found by planning it: fewer groups that get to the weekly amount that the reviews favour; more groups of which some are
 * only kept up, where that is something else; and the first with short sessions between, where these bring a group further. None where nothing can
 * be planned.
 * @param wanted groups in order; those beyond the bounds of a block are left out
 */
export function proposeBlocks(wanted: readonly WantedGroup[], use: ProposalUse): readonly Proposal[] {
  const most = BLOCK_BOUNDS.lanes.max;
  const taken = wanted.slice(0, most);
  const beyond = wanted.slice(most).map(({ group }): LeftGroup => ({ group, code: 'too-many' }));
  const { lanesPerSession } = use.base;
  const wide = Math.max(lanesPerSession, Math.min(BLOCK_BOUNDS.lanesPerSession.max, taken.length));
  const reach = fewer(taken, new Trials(use, lanesPerSession));
  const spread = more(taken, new Trials(use, wide));
  const other = reach && spread && same(reach, spread) ? null : spread;
  return [reach, other, between(taken, use, reach)].flatMap((p) => (p ? [{ ...p, left: [...p.left, ...beyond] }] : []));
}

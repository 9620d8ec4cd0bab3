import type {
  Block,
  CellChange,
  ClientReview,
  DecideReviewBody,
  LaneWeekDone,
  ReviewedLaneView,
  WeekReview,
  Whose,
} from '@yandle/contract';
import {
  compareBlocks,
  errorWords,
  CoreError,
  laterStyleOf,
  muscleGroupName,
  prescriptionWords,
  replacedBy,
  sameData,
  reviewMoveWords,
  stepsBack,
  withoutStyle,
  withStyle,
  type BlockDraft,
  type BlockPlan,
  type DecidedMove,
  type LaneDraft,
  type LaneEased,
  type LaneRecord,
  type PlannedWeek,
} from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { CoachEntity } from '../accounts/entities.js';
import { BlockEntity } from '../blocks/entities.js';
import type { Planner } from '../blocks/planning.js';
import { lockedBlock, replanned, reviseLocked } from '../blocks/replanning.js';
import { ClientEntity } from '../clients/entities.js';
import { leadsMeant } from '../clients/whose.js';
import type { StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { loadStyles } from '../styles/service.js';
import { ReviewEntity, type DecidedStyle } from './entities.js';
import { reviewsOf, runningOf, type BlockReview, type LaneOutcome } from './week.js';

/** The first full week from one on: in an easier one no step shows. The week itself where no full one is left. */
const firstFull = (weeks: readonly PlannedWeek[], from: number): number =>
  weeks.find((w) => w.week >= from && w.kind === 'build')?.week ?? from;

const cellOf = (weeks: readonly PlannedWeek[], week: number): string | null => {
  const cell = weeks.find((w) => w.week === week);
  return !cell || cell.kind === 'rest' ? null : prescriptionWords(cell.prescription);
};

/** A block's choices with the style that a decision puts in a lane. */
function styled(draft: BlockDraft, laneId: string, { later, added }: DecidedStyle): BlockDraft {
  const lanes = draft.lanes.map((l) =>
    l.id === laneId ? withStyle({ ...l, exercises: [...l.exercises, ...added] }, later) : l,
  );
  return { ...draft, lanes };
}

/** A block's choices without what a decision had put in a lane. */
function unstyled(draft: BlockDraft, laneId: string, { later, replaced, added }: DecidedStyle): BlockDraft {
  const without = (l: LaneDraft): LaneDraft => {
    const back = withoutStyle(l, later, replaced);
    return back === l ? l : { ...back, exercises: l.exercises.filter((e) => !added.some((a) => sameData(a, e))) };
  };
  return { ...draft, lanes: draft.lanes.map((l) => (l.id === laneId ? without(l) : l)) };
}

/** What a decision puts in a lane's styles; null where it leaves them. */
function styleOf(
  draft: BlockDraft,
  { lane, change }: Pick<LaneOutcome, 'lane' | 'change'>,
  move: DecidedMove,
  fromWeek: number,
): DecidedStyle | null {
  const later = laterStyleOf(move, change?.styleId ?? null, fromWeek);
  const now = draft.lanes.find((l) => l.id === lane.id);
  if (!later || !now) return null;
  const wanted = move === 'change' ? (change?.exercises ?? []) : [];
  const added = wanted.filter((e) => !now.exercises.some((x) => sameData(x, e)));
  return { later, replaced: replacedBy(now, later), added };
}

const easedBy = ({ lane }: LaneOutcome, move: DecidedMove, week: number): LaneEased[] => {
  const steps = stepsBack(move);
  return steps === null ? [] : [{ group: lane.group, laneId: lane.id, week, steps, why: 'review' }];
};

/** The plan as all that is proposed and not decided would make it; null where nothing would change, or nothing may be planned now. */
async function proposedPlan(data: StudioData, r: BlockReview, planner: Planner): Promise<BlockPlan | null> {
  const open = r.lanes.filter((l) => l.decided === null);
  const more = open.flatMap((l) => easedBy(l, l.move, r.fromWeek));
  let draft: BlockDraft = r.block.choices;
  for (const l of open) {
    const style = styleOf(draft, l, l.move, r.fromWeek);
    if (style) draft = styled(draft, l.lane.id, style);
  }
  if ((more.length === 0 && draft === r.block.choices) || r.fromWeek > r.block.weeks) return null;
  try {
    return await replanned(data, r.row, r.block, more, planner, draft);
  } catch (err) {
    if (err instanceof HttpProblem && err.code === 'screening-blocks-planning') return null;
    throw err;
  }
}

function doneOf({ now, sides, inSeconds, said, soreDays }: LaneRecord): LaneWeekDone {
  const highest = said.reduce((a, s) => (s.sensation > a.sensation ? s : a), said[0] ?? { sensation: 0, target: 0 });
  const felt = said.length === 0 ? null : { highest: highest.sensation, times: said.length, target: highest.target };
  return { planned: now.planned, done: now.done === null ? null : sides, inSeconds, felt, soreDays };
}

interface ViewParts {
  readonly coaches: ReadonlyMap<string, string>;
  readonly styleName: (id: string) => string;
  readonly standing: boolean;
  readonly proposed: BlockPlan | null;
}

function viewOf(r: BlockReview, { coaches, styleName, standing, proposed }: ViewParts): WeekReview {
  const { block, week, fromWeek } = r;
  const lanes = r.lanes.map(({ lane, record, review, decided, change, move }): ReviewedLaneView => {
    const shownWeek = firstFull(lane.weeks, fromWeek);
    const planned = cellOf(lane.weeks, shownWeek);
    const place = block.lanes.indexOf(lane);
    return {
      laneId: lane.id,
      group: lane.group,
      review,
      record: doneOf(record),
      proposal: {
        move,
        ...(change && { changeTo: change.styleId === null ? null : styleName(change.styleId) }),
      },
      shownWeek,
      planned,
      proposed: proposed ? cellOf(proposed.lanes[place]!.weeks, shownWeek) : planned,
      decision: decided
        ? {
            move: decided.move,
            reason: decided.reason,
            coachName: coaches.get(decided.coachId) ?? '',
            at: decided.createdAt.toISOString(),
            byItself: decided.byItself,
          }
        : null,
    };
  });
  return { blockId: block.id, version: block.version, week, fromWeek, standing, lanes, changed: [] };
}

async function partsFor(data: StudioData, reviews: readonly BlockReview[]) {
  const ids = [...new Set(reviews.flatMap((r) => r.lanes.flatMap((l) => l.decided?.coachId ?? [])))];
  const rows = ids.length ? await data.find(CoachEntity, { id: In(ids) }) : [];
  const styles = await loadStyles(data);
  const styleName = (id: string): string => {
    try {
      return styles.find(id).name;
    } catch (err) {
      if (err instanceof CoreError) return errorWords(err);
      throw err;
    }
  };
  return { coaches: new Map(rows.map((c) => [c.id, c.name])), styleName };
}

async function wholeView(data: StudioData, r: BlockReview, planner: Planner): Promise<WeekReview> {
  const client = await data.get(ClientEntity, r.block.clientId, 'client');
  const proposed = await proposedPlan(data, r, planner);
  return viewOf(r, { ...(await partsFor(data, [r])), standing: client.standingReview, proposed });
}

async function reviewFor(data: StudioData, clientId: string, planner: Planner): Promise<BlockReview | null> {
  return (await reviewsOf(data, await runningOf(data, [clientId], planner), planner))[0] ?? null;
}

/** The review of a client's week; null while no block runs, or none of its weeks is over. */
export async function weekReview(data: StudioData, clientId: string, planner: Planner): Promise<WeekReview | null> {
  await data.get(ClientEntity, clientId, 'client');
  const review = await reviewFor(data, clientId, planner);
  return review && wholeView(data, review, planner);
}

/** The reviews of all clients whose running block has a week that is over, by name. Nothing is planned for them: that takes a look at one. */
export async function studioReviews(data: StudioData, whose: Whose, planner: Planner): Promise<ClientReview[]> {
  const leads = await leadsMeant(data, whose, planner.coachId, planner.today);
  const clients = await data.find(
    ClientEntity,
    { archivedAt: IsNull(), ...(leads && { leadCoachId: In([...leads]) }) },
    { order: { name: 'ASC', id: 'ASC' } },
  );
  const running = await runningOf(
    data,
    clients.map((c) => c.id),
    planner,
  );
  const reviews = await reviewsOf(data, running, planner);
  const parts = await partsFor(data, reviews);
  const byClient = new Map(reviews.map((r) => [r.block.clientId, r]));
  return clients.flatMap((c): ClientReview[] => {
    const r = byClient.get(c.id);
    if (!r || r.lanes.length === 0) return [];
    return [
      { clientId: c.id, clientName: c.name, ...viewOf(r, { ...parts, standing: c.standingReview, proposed: null }) },
    ];
  });
}

/** A lane of a review with what was decided of it: null takes the decision before back. */
export interface Decided {
  readonly lane: LaneOutcome;
  readonly move: DecidedMove | null;
  readonly reason: string;
}

/**
 * Writes decisions about lanes of a block whose row is locked. Steps that stay or go down, and other styles, are published from next week on; a
 * decision about the same week takes the place of the one before.
 */
export async function decideLocked(
  tx: StudioData,
  review: BlockReview,
  decided: readonly Decided[],
  planner: Planner,
  byItself = false,
): Promise<void> {
  const { row, block, week, fromWeek } = review;
  let draft: BlockDraft = block.choices;
  const rows: ReviewEntity[] = [];
  for (const { lane, move, reason } of decided) {
    const laneKey = lane.lane.id;
    const open = { blockId: block.id, laneKey, week, withdrawnAt: IsNull() };
    await tx.update(ReviewEntity, open, { withdrawnAt: tx.now });
    const before = lane.decided?.style;
    if (before) draft = unstyled(draft, laneKey, before);
    if (move === null) continue;
    const style = styleOf(draft, lane, move, fromWeek);
    if (style) draft = styled(draft, laneKey, style);
    const said = { move, reason, style, proposed: lane.review, coachId: planner.coachId, byItself };
    const at = { withdrawnAt: null, createdAt: tx.now };
    rows.push(
      Object.assign(new ReviewEntity(), { id: uuid(), blockId: block.id, laneKey, week, fromWeek, ...said, ...at }),
    );
  }
  await tx.insertMany(ReviewEntity, rows);
  const moves = (move: DecidedMove | null = null): boolean => move !== null && stepsBack(move) !== null;
  const changes = draft !== block.choices || decided.some((d) => moves(d.move) || moves(d.lane.decided?.move ?? null));
  if (!changes || fromWeek > block.weeks) {
    await tx.update(BlockEntity, { id: block.id }, { version: row.version + 1 });
    return;
  }
  const said = decided.map(
    (d) =>
      `${muscleGroupName(d.lane.lane.group)}: ${d.move === null ? 'taken back' : reviewMoveWords(d.move).toLowerCase()}`,
  );
  const reason = `Review of week ${week}. ${said.join('; ')}.`.slice(0, 300);
  await reviseLocked(tx, row, block, { ...draft, reason }, planner);
}

/** Every cell in which two states of a block differ, in words. */
function changesBetween(before: Block, after: Block): CellChange[] {
  const words = (w: PlannedWeek | null): string | null =>
    w === null || w.kind === 'rest' ? null : prescriptionWords(w.prescription);
  return compareBlocks(before.lanes, after.lanes).cells.map((c) => ({
    ...{ group: c.group, week: c.week, before: words(c.before), after: words(c.after) },
  }));
}

/** Decides lanes of the week that is reviewed, all or none. */
export async function decideReview(
  data: StudioData,
  clientId: string,
  { version, week, decisions }: DecideReviewBody,
  planner: Planner,
): Promise<WeekReview | null> {
  return data.transaction(async (tx) => {
    await tx.get(ClientEntity, clientId, 'client');
    const [open] = await runningOf(tx, [clientId], planner);
    if (!open) throw new HttpProblem('conflict', 'This client has no running block, so there is nothing to review.');
    const { row, before } = await lockedBlock(tx, open.row.id, version, planner.today);
    const [review] = await reviewsOf(tx, [{ row, block: before }], planner);
    if (review?.week !== week)
      throw new HttpProblem('conflict', 'Another week is reviewed by now. Load the page again.');
    const asked = decisions.map(({ laneId, move, reason }): Decided => {
      const lane = review.lanes.find((l) => l.lane.id === laneId);
      if (!lane) throw new HttpProblem('conflict', 'One of these lanes is not in the review any more. Load it again.');
      if (move === 'change' && lane.change === null)
        throw new HttpProblem(
          'conflict',
          `${muscleGroupName(lane.lane.group)} has nothing to change to. Decide otherwise.`,
        );
      return { lane, move, reason };
    });
    await decideLocked(tx, review, asked, planner);
    const after = await reviewFor(tx, clientId, planner);
    return after && { ...(await wholeView(tx, after, planner)), changed: changesBetween(before, after.block) };
  });
}

/** Whether plain proposals are accepted for a client at the end of each week, without anybody looking. Sending it again changes nothing. */
export async function setStanding(data: StudioData, clientId: string, standing: boolean): Promise<void> {
  await data.get(ClientEntity, clientId, 'client');
  await data.update(ClientEntity, { id: clientId }, { standingReview: standing });
}

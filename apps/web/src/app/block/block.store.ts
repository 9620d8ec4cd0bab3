import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import {
  applyFix,
  compareBlocks,
  CoreError,
  emptyDraft,
  formatDate,
  givesWay,
  givesWayWords,
  dayPlanLine,
  limitsForOther,
  longestSessions,
  otherClientWords,
  templateNoteWords,
  sameData,
  trainableGroups,
  withExercises,
  withLaneEnded,
  withHandSet,
  withLoad,
  type BlockDraft,
  type BlockPlan,
  type BlockTemplate,
  type Fix,
  type MuscleGroupId,
  type Technique,
  type ReachWay,
  type TemplateNote,
} from '@yandle/core';
import type { Block, BlockBody } from '@yandle/contract';
import { AccountService } from '../data/account.service';
import { problemOf } from '../data/problem';
import { Requests } from '../data/requests';
import { ToastService } from '../data/toast.service';
import { BlockData } from './block-data';
import { BlockPlanner } from './block-planner';
import type { BoardAsk } from './plan-board';
import { PlanDesk } from './plan-desk';
import { draftKeeper } from './draft-keeper';
import type { DayPlanMinutes } from './stave.model';
import { UndoStack } from './undo-stack';

/** A plan that can be drawn, or the reason why there is none. */
export type Preview =
  { readonly plan: BlockPlan; readonly refusal: null } | { readonly plan: null; readonly refusal: string };

/** Lanes and weeks of a draft: a plan of another shape does not go with it. */
const shapeOf = (d: BlockDraft): string => `${d.weeks}|${d.lanes.map((l) => l.id).join()}`;

/** The block a coach is shaping: the draft with its undo, the plan it makes, what-if, publishing and conflicts. */
@Injectable()
export class BlockStore {
  private readonly account = inject(AccountService);
  private readonly data = inject(BlockData);
  private readonly planner = inject(BlockPlanner);
  private readonly desk = inject(PlanDesk);
  private readonly toasts = inject(ToastService);

  readonly client = this.data.client;
  readonly cautions = this.data.cautions;
  readonly leftOut = this.data.leftOut;
  readonly blocks = this.data.blocks;
  readonly planning = this.data.planning;
  readonly running = this.data.running;
  readonly past = this.data.past;
  readonly fromWeek = this.data.fromWeek;
  readonly currentWeek = this.data.currentWeek;
  /** Seconds a week that the client is used to in a group; null when nothing is known. */
  readonly startingDose = (group: MuscleGroupId): number | null => this.data.startingDose(group);

  /** Groups picked in the findings. */
  readonly picked = signal<readonly MuscleGroupId[]>([]);
  /** True while suggested lanes are looked at. */
  readonly suggesting = signal(false);

  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  readonly busy = this.requests.busy;
  private readonly stack = new UndoStack<BlockDraft>();
  /** The draft as it is edited; the board follows as soon as it is planned. */
  private readonly edited = this.stack.value;
  readonly canUndo = this.stack.canUndo;
  readonly canRedo = this.stack.canRedo;
  /** Another draft laid over the plan, to look at before it is applied. */
  readonly whatIf = signal<BlockDraft | null>(null);
  private based: { readonly version: number; readonly choices: BlockBody } | null = null;
  /** The version the draft began with; a merge after a conflict moves it on. Null for a new block. */
  get base() {
    return this.based;
  }

  /** True when the coach wants the published choices planned again, with what has been measured and asked since. */
  readonly renewing = signal(false);
  /** Counts beginnings: what was planned for a draft of before is not shown with the next. */
  private readonly beginning = signal(0);
  private readonly asked = computed((): BoardAsk | null => {
    const draft = this.edited();
    return draft && this.askFor(draft, this.renewing());
  });
  private readonly board = this.desk.follow('board', this.asked);
  private readonly shown = computed(() => {
    const board = this.board();
    return board?.ask.beginning === this.beginning() ? board : null;
  });
  /** True while the board has other lanes or weeks than what is edited. */
  private readonly behind = computed(() => {
    const shown = this.shown();
    const edited = this.edited();
    return edited !== null && shown !== null && shapeOf(shown.ask.draft) !== shapeOf(edited);
  });
  /** True while what is shown is not yet planned as it was edited. */
  readonly pending = computed(() => this.asked() !== (this.board()?.ask ?? null));
  /** The draft that is shown, with the lanes and weeks of the plan beside it. */
  readonly draft = computed((): BlockDraft | null => (this.behind() ? this.shown()!.ask.draft : this.edited()));
  /** The plan that is shown: as it was published while nothing is changed, else as it would be; what was just set stands in it at once. */
  readonly preview = computed((): Preview | null => {
    const shown = this.shown();
    const draft = this.draft();
    if (!shown || !draft) return null;
    const { plan, refusal } = shown.answer;
    return plan ? { plan: withHandSet(plan, draft), refusal: null } : { plan, refusal: refusal! };
  });
  private readonly outdatedAsk = computed((): BoardAsk | null => {
    const r = this.running();
    return r && !this.changed() && !this.renewing() ? this.askFor(r.choices, true) : null;
  });
  private readonly renewed = this.desk.follow('board', this.outdatedAsk);
  /** Cells that would differ if the published choices were planned today: a side no longer tighter, a new caution. */
  readonly outdated = computed((): number => {
    const r = this.running();
    const plan = this.renewed()?.answer.plan;
    if (!r || !plan || this.changed() || this.renewed()!.ask !== this.outdatedAsk()) return 0;
    const now = plan.lanes.map((l, i) => ({ id: r.lanes[i]!.id, group: l.group, weeks: l.weeks }));
    return compareBlocks(r.lanes, now).cells.length;
  });
  private readonly whatIfAsk = computed((): BoardAsk | null => {
    const other = this.whatIf();
    return other && this.askFor(other, this.renewing());
  });
  private readonly other = this.desk.follow('board', this.whatIfAsk);
  readonly overlay = computed((): BlockPlan | null => {
    const other = this.other();
    return other && other.ask === this.whatIfAsk() ? other.answer.plan : null;
  });

  /** Broken rules of what can still be changed: nobody mends a week that is over. */
  readonly violations = computed(() =>
    (this.shown()?.answer.violations ?? []).filter((v) => v.week === null || v.week >= this.fromWeek()),
  );
  /** Lists changed by hand that the new version would not keep, in words. */
  readonly replacedLists = computed((): readonly string[] => {
    const plan = this.preview()?.plan;
    if (!plan || !this.running()) return [];
    return this.planning().handLists.flatMap((list) => {
      const why = givesWay(list, plan, (id, technique) => this.data.mayBeDone(id, technique));
      return why === null ? [] : [givesWayWords(why, formatDate(list.date, 'EEEE d MMMM'))];
    });
  });
  readonly sessions = computed(() => this.shown()?.answer.sessions ?? []);
  /** Each kind of session with the length of its longest in each week. */
  readonly dayPlanMinutes = computed((): readonly DayPlanMinutes[] => {
    const draft = this.draft();
    if (!draft || !this.preview()?.plan) return [];
    const sessions = this.sessions();
    return draft.dayPlans.map((p) => ({
      id: p.id,
      name: p.name,
      line: dayPlanLine(p),
      budgetSeconds: p.minutes === null ? null : p.minutes * 60,
      longest: longestSessions(
        sessions.filter((s) => s.dayPlanId === p.id),
        draft.weeks,
      ),
    }));
  });
  /** Whether each group reaches the amount that the reviews favour, and which pass the one where gains flatten; null without a plan. */
  readonly reach = computed(() => {
    const { plan, reach, full } = this.shown()?.answer ?? { plan: null, reach: [], full: [] };
    return plan ? { reach, full } : null;
  });

  /** True when the draft says something else than the block that is running. */
  readonly changed = computed(() => {
    const r = this.running();
    const d = this.edited();
    return r !== null && d !== null && !sameData(r.choices, d);
  });
  /** What was asked for while the board was behind: it needs the plan of lanes that are not planned yet. */
  private waiting: ((draft: BlockDraft, plan: BlockPlan) => BlockDraft)[] = [];

  constructor() {
    effect(() => {
      const plan = this.preview()?.plan;
      if (this.behind() || !plan) return;
      untracked(() => {
        const next = this.waiting.shift();
        if (next) this.editPlanned(next);
      });
    });
    // Unsaved work survives a reload: it is kept in this browser until it is published or left.
    effect(() => {
      const draft = this.edited();
      const id = this.data.clientId;
      if (!draft || !id || this.blocks() === null) return;
      untracked(() => {
        const worth = this.running() ? this.changed() : draft.lanes.length > 0;
        if (worth) draftKeeper.keep(id, { base: this.base?.version ?? null, draft });
        else draftKeeper.forget(id);
      });
    });
  }

  /** @param suggested groups that were picked in the findings; unknown ones, and those without a stretch, are left out */
  async load(clientId: string, suggested: readonly string[] = []): Promise<void> {
    await this.requests.run(async () => {
      // Read before what is loaded starts the draft anew.
      const kept = draftKeeper.read(clientId);
      await this.data.load(clientId);
      this.resetDraft();
      if (kept && kept.base === (this.base?.version ?? null)) this.stack.push(kept.draft);
      const known = trainableGroups();
      this.picked.set(known.filter((g) => suggested.includes(g)));
      this.suggesting.set(this.running() === null && (this.edited()!.lanes.length === 0 || this.picked().length > 0));
    });
  }

  resetDraft(): void {
    const r = this.running();
    this.based = r ? { version: r.version, choices: r.choices } : null;
    this.whatIf.set(null);
    this.renewing.set(false);
    this.waiting = [];
    this.beginning.update((n) => n + 1);
    this.stack.reset(
      r ? r.choices : emptyDraft(this.account.me()!.today, [this.planner.firstDayPlan()], this.account.blockDefaults()),
    );
  }

  change(part: Partial<BlockDraft>): void {
    this.edit((d) => ({ ...d, ...part }));
  }

  /** Any change of the draft; it can be taken back. A change that the core refuses is said, and not made. */
  edit(work: (draft: BlockDraft) => BlockDraft): void {
    const draft = this.edited();
    if (!draft) return;
    try {
      this.stack.push(work(draft));
      this.problem.set(null);
    } catch (err) {
      if (!(err instanceof CoreError)) throw err;
      this.problem.set(problemOf(err));
    }
  }

  /** A change that is made from what is planned: it waits where lanes or weeks are not planned yet. */
  editPlanned(work: (draft: BlockDraft, plan: BlockPlan) => BlockDraft): void {
    const plan = this.preview()?.plan;
    if (this.behind() || !plan) this.waiting.push(work);
    else this.edit((d) => work(d, plan));
  }

  /** A draft to be planned, from what is known of the client; a block that is unchanged is shown as it was published. */
  private askFor(draft: BlockDraft, renewed: boolean): BoardAsk | null {
    const facts = this.planner.factsFor(draft.startDate, renewed);
    const r = this.running();
    const published =
      r && !renewed && sameData(r.choices, draft)
        ? { lanes: r.lanes, retestWeeks: r.retests.map((t) => t.week), shortages: r.shortages }
        : null;
    return facts && { draft, facts, published, beginning: this.beginning() };
  }

  undo(): void {
    this.stack.undo();
  }

  redo(): void {
    this.stack.redo();
  }

  laneOf(group: MuscleGroupId) {
    return this.edited()?.lanes.find((l) => l.group === group) ?? null;
  }

  /** Adds a lane; a group may have two, when their techniques differ. @returns its place */
  addLane(group: MuscleGroupId, styleId = 'steady-hold'): number {
    this.edit((d) => ({ ...d, lanes: [...d.lanes, this.planner.newLane(group, styleId, d.dayPlans)] }));
    this.suggesting.set(false);
    return this.edited()!.lanes.length - 1;
  }

  /** Takes a lane out; one that has started ends with the last week that may not be changed. */
  endLane(laneId: string): void {
    const started = (id: string): boolean =>
      this.fromWeek() > 1 && (this.running()?.lanes.some((l) => l.id === id) ?? false);
    this.edit((d) => withLaneEnded(d, laneId, started, this.fromWeek()));
  }

  /** Changes the kinds of session; lanes get exercises for places that they had none for. */
  editDayPlans(work: (draft: BlockDraft) => BlockDraft): void {
    this.edit((d) => this.planner.fitted(work(d)));
  }

  allowedFor(group: MuscleGroupId, technique?: Technique) {
    return this.planner.allowedFor(group, technique);
  }

  setLaneStyle(lane: number, styleId: string, week: number): void {
    this.edit((d) => this.planner.withStyle(d, lane, styleId, week));
  }

  /** As {@link setLaneStyle}, on another draft: for a what-if. */
  withStyle(draft: BlockDraft, lane: number, styleId: string, week: number): BlockDraft {
    return this.planner.withStyle(draft, lane, styleId, week);
  }

  setExercises(lane: number, technique: Technique, exerciseIds: readonly string[]): void {
    this.edit((d) => withExercises(d, lane, technique, exerciseIds));
  }

  /** What a lane begins with under load, and its heaviest load. */
  setLoad(lane: number, part: Parameters<typeof withLoad>[2]): void {
    this.edit((d) => withLoad(d, lane, part));
  }

  /** What would get a group to the favoured amount; empty where nothing does, or nothing could be planned. */
  async waysToReach(group: MuscleGroupId): Promise<readonly ReachWay[]> {
    const ask = this.shown()?.ask;
    return ask ? ((await this.desk.do('ways', { draft: ask.draft, facts: ask.facts, group })) ?? []) : [];
  }

  /** A template as the draft, made for this client; what could not be taken over is returned. */
  applyTemplate(template: BlockTemplate): readonly TemplateNote[] {
    let notes: readonly TemplateNote[] = [];
    this.edit((draft) => {
      const made = this.planner.fromTemplate(template, draft);
      notes = made?.notes ?? [];
      return made?.draft ?? draft;
    });
    return notes;
  }

  /** Another block as the draft, made for this client; what is different is returned in words. */
  async startFrom(block: Pick<Block, 'choices' | 'clientId'>): Promise<readonly string[]> {
    const draft = this.edited();
    const made = draft && this.planner.fromBlock(block.choices, draft, block.clientId === this.data.clientId);
    if (!made) return [];
    this.edit(() => made.draft);
    this.suggesting.set(false);
    const ask = this.askFor(made.draft, false);
    const board = ask && (await this.desk.do('board', ask));
    const limits = board?.plan ? limitsForOther(board.plan) : [];
    return [...made.notes.map(templateNoteWords), ...[...made.changes, ...limits].map(otherClientWords)];
  }

  /** What someone else published becomes the base; the draft holds this coach's changes on top of it. */
  rebase(theirs: Block, draft: BlockDraft): void {
    this.data.replace(theirs);
    this.based = { version: theirs.version, choices: theirs.choices };
    this.problem.set(null);
    this.stack.push(draft);
  }

  /** Puts a retest of the running block on another day. */
  async moveRetest(week: number, date: string): Promise<void> {
    await this.requests.run(async () => {
      await this.data.moveRetest(this.running()!.id, week, date);
      this.toasts.show('Retest moved.');
    });
  }

  /** What a rule proposes; it can be taken back. */
  fix(fix: Fix): void {
    this.edit((d) => applyFix(d, fix));
    this.toasts.show('Fixed. You can undo this.');
  }
}

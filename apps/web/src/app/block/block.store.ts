import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Block, BlockBody, PlanningView, Problem } from '@yandle/contract';
import {
  addDays,
  ageOn,
  applyTemplate,
  BLOCK_BOUNDS,
  type BlockDraft,
  blockInputOf,
  type BlockPlan,
  type BlockTemplate,
  buildBlock,
  type Caution,
  checkBlock,
  chooseExercises,
  type Clash,
  compareBlocks,
  CoreError,
  type DatedSession,
  type Exercise,
  exercisesDoing,
  isPlainDate,
  limitsOfCautions,
  longestSessions,
  mergeDrafts,
  type MuscleGroupId,
  newLane,
  PLAINEST,
  type PlanContext,
  runningBlock,
  sessionsOfBlock,
  setStyle,
  splitAllowed,
  type Technique,
  type TemplateNote,
  trainableGroups,
  upgradeStored,
  type Violation,
  weekdayOf,
  weekOn,
} from '@yandle/core';
import { firstValueFrom, forkJoin } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { LibraryService } from '../library/library.service';
import { StylesService } from '../styles/styles.service';
import { UndoStack } from './undo-stack';

/** A plan that can be drawn, or the reason why there is none. */
export type Preview =
  { readonly plan: BlockPlan; readonly refusal: null } | { readonly plan: null; readonly refusal: string };

/** Somebody published meanwhile: what both changed, to choose from. */
export interface Conflict {
  readonly theirs: Block;
  readonly clashes: readonly Clash[];
}

const NO_PLANNING: PlanningView = { hypermobile: false, tighter: [], startingDoses: [] };

/** The block of a client: the running one, and the draft the coach is shaping. The plan itself is computed by the core. */
@Injectable()
export class BlockStore {
  private readonly library = inject(LibraryService);
  private readonly stylesService = inject(StylesService);
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);

  readonly client = this.context.client;
  readonly cautions = computed((): readonly Caution[] => this.context.path().value?.cautions ?? []);
  /** Stretches that a caution speaks against, with the reasons: a plan never holds one. */
  readonly leftOut = computed(() => splitAllowed(this.library.exercises(), this.cautions()).leftOut);
  readonly blocks = signal<readonly Block[] | null>(null);
  readonly planning = signal<PlanningView>(NO_PLANNING);
  readonly problem = signal<Problem | null>(null);
  readonly conflict = signal<Conflict | null>(null);
  readonly busy = signal(false);
  private readonly stack = new UndoStack<BlockDraft>();
  readonly draft = this.stack.value;
  readonly canUndo = this.stack.canUndo;
  readonly canRedo = this.stack.canRedo;
  /** Another draft laid over the plan, to look at before it is taken. */
  readonly whatIf = signal<BlockDraft | null>(null);
  private clientId = '';
  private newBlockId = newId();
  /** Version the draft began with; a merge after a conflict moves it on. */
  private base: { readonly version: number; readonly choices: BlockBody } | null = null;

  /** The block that counts today; null when none is running. */
  readonly running = computed(() => {
    const today = this.account.me()?.today ?? '';
    return runningBlock(this.blocks() ?? [], today);
  });
  readonly past = computed(() => this.blocks()?.filter((b) => b !== this.running()) ?? []);
  /** First week that may be changed. */
  readonly fromWeek = computed(() => this.running()?.changeableFrom ?? 1);
  readonly currentWeek = computed(() => {
    const r = this.running();
    const today = this.account.me()?.today;
    if (!r || !today) return null;
    const week = weekOn(r.startDate, today);
    return week >= 1 && week <= r.weeks ? week : null;
  });

  /** True when the coach wants the published choices planned anew, with what has been measured and asked since. */
  readonly renewing = signal(false);
  private readonly computedPlan = computed((): Preview | null => this.previewOf(this.draft()));
  /** The plan that is shown: as it was published while nothing is changed, else as it would be. */
  readonly preview = computed((): Preview | null => {
    const published = this.published();
    return published && !this.changed() && !this.renewing() ? { plan: published, refusal: null } : this.computedPlan();
  });
  private readonly published = computed((): BlockPlan | null => {
    const r = this.running();
    return r ? { lanes: r.lanes, retestWeeks: r.retests.map((t) => t.week), cuts: r.cuts } : null;
  });
  /** Cells that would differ if the published choices were planned today: a side no longer tighter, a new caution. */
  readonly outdated = computed((): number => {
    const r = this.running();
    const plan = this.computedPlan()?.plan;
    if (!r || !plan || this.changed()) return 0;
    const now = plan.lanes.map((l, i) => ({ id: r.lanes[i]!.id, group: l.group, weeks: l.weeks }));
    return compareBlocks(r.lanes, now).cells.length;
  });
  readonly overlay = computed((): BlockPlan | null => {
    const other = this.whatIf();
    return other ? (this.previewOf(other)?.plan ?? null) : null;
  });

  readonly violations = computed((): readonly Violation[] => {
    const draft = this.draft();
    const plan = this.preview()?.plan;
    const context = draft && this.contextFor(draft);
    if (!draft || !plan || !context) return [];
    const broken = checkBlock(blockInputOf(draft, context), plan);
    // An exercise may be missing while the coach is choosing; the panel asks for it.
    return broken;
  });

  readonly sessions = computed((): readonly DatedSession[] =>
    this.sessionsFor(this.draft(), this.preview()?.plan ?? null),
  );
  readonly longest = computed(() => {
    const draft = this.draft();
    return draft && this.preview()?.plan ? longestSessions(this.sessions(), draft.weeks) : [];
  });

  /** True when the draft says something else than the block that is running. */
  readonly changed = computed(() => {
    const r = this.running();
    const d = this.draft();
    return r !== null && d !== null && !same(r.choices, d);
  });

  constructor() {
    // Unsaved work survives a reload: it is kept in this browser until it is published or left.
    effect(() => {
      const draft = this.draft();
      const id = this.clientId;
      if (!draft || !id || this.blocks() === null) return;
      untracked(() => {
        const worth = this.running() ? this.changed() : draft.lanes.length > 0;
        if (worth) localStorage.setItem(keyOf(id), JSON.stringify({ base: this.base?.version ?? null, draft }));
        else localStorage.removeItem(keyOf(id));
      });
    });
  }

  /** @param suggested groups to begin a new block with; unknown ones, and those without a stretch, are left out */
  async load(clientId: string, suggested: readonly string[] = []): Promise<void> {
    this.clientId = clientId;
    try {
      await Promise.all([this.library.ready(), this.stylesService.ready()]);
      const [blocks, planning] = await firstValueFrom(
        forkJoin([this.api.blocks(clientId), this.api.planning(clientId)]),
      );
      const kept = localStorage.getItem(keyOf(clientId));
      this.blocks.set(blocks);
      this.planning.set(planning);
      this.problem.set(null);
      this.resetDraft();
      if (kept) this.takeKept(kept);
      if (!this.running() && suggested.some((g) => g !== ''))
        for (const group of trainableGroups())
          if (suggested.includes(group) && !this.laneOf(group)) this.toggleLane(group);
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }

  private takeKept(text: string): void {
    try {
      // A draft of a version before has the words of before.
      const kept = upgradeStored('block', JSON.parse(text)) as { base: number | null; draft: BlockDraft };
      if (kept.base === (this.base?.version ?? null) && Array.isArray(kept.draft.lanes)) this.stack.push(kept.draft);
    } catch {
      localStorage.removeItem(keyOf(this.clientId));
    }
  }

  resetDraft(): void {
    const r = this.running();
    this.base = r ? { version: r.version, choices: r.choices } : null;
    this.whatIf.set(null);
    this.renewing.set(false);
    this.stack.reset(r ? r.choices : this.emptyDraft());
  }

  private emptyDraft(): BlockDraft {
    const today = this.account.me()!.today;
    return {
      // The next Monday, so that there is time to measure; today when it is one.
      startDate: addDays(today, (8 - weekdayOf(today)) % 7),
      weeks: BLOCK_BOUNDS.weeks.default,
      ramp: BLOCK_BOUNDS.ramp.default,
      easierEvery: BLOCK_BOUNDS.easierEvery.default,
      easierWeeks: null,
      missedWeeks: [],
      away: [],
      lanesPerSession: BLOCK_BOUNDS.lanesPerSession.default,
      smallestPlate: null,
      lanes: [],
    };
  }

  change(part: Partial<BlockDraft>): void {
    this.edit((d) => ({ ...d, ...part }));
  }

  /** Any change of the draft; it can be taken back. A change that the core refuses is said, and not made. */
  edit(work: (draft: BlockDraft, plan: BlockPlan | null) => BlockDraft): void {
    const draft = this.draft();
    if (!draft) return;
    try {
      this.stack.push(work(draft, this.preview()?.plan ?? null));
      this.problem.set(null);
    } catch (err) {
      if (!(err instanceof CoreError)) throw err;
      this.problem.set(problemOf(err));
    }
  }

  undo(): void {
    this.stack.undo();
  }

  redo(): void {
    this.stack.redo();
  }

  laneOf(group: MuscleGroupId) {
    return this.draft()?.lanes.find((l) => l.group === group) ?? null;
  }

  toggleLane(group: MuscleGroupId, styleId = 'steady-hold'): void {
    this.edit((d) => {
      const there = d.lanes.find((l) => l.group === group);
      if (!there) {
        const lane = newLane(newId(), group, styleId, this.exercisesFor(group, [styleId]));
        const startingDose = this.planning().startingDoses.find((b) => b.group === group)?.seconds ?? null;
        return { ...d, lanes: [...d.lanes, { ...lane, startingDose, fromWeek: this.fromWeek() }] };
      }
      // A lane that has begun is not taken out of the record: it ends.
      const begun = this.running()?.lanes.some((l) => l.id === there.id) && this.fromWeek() > 1;
      if (!begun) return { ...d, lanes: d.lanes.filter((l) => l !== there) };
      const untilWeek = there.untilWeek === null ? this.fromWeek() - 1 : null;
      return { ...d, lanes: d.lanes.map((l) => (l === there ? { ...l, untilWeek } : l)) };
    });
  }

  /** Exercises for the techniques that some styles ask of a group. */
  private exercisesFor(
    group: MuscleGroupId,
    styleIds: readonly string[],
    chosen: BlockDraft['lanes'][number]['exercises'] = [],
  ) {
    const styles = styleIds.map((id) => this.stylesService.find(id));
    return chooseExercises(
      group,
      styles,
      (g, t) => this.allowedFor(g, t),
      this.client()?.experience ?? 'beginner',
      chosen,
    );
  }

  /** Exercises of a group that can be done with a technique and that no caution speaks against; things at hand first. */
  allowedFor(group: MuscleGroupId, technique: Technique = PLAINEST): readonly Exercise[] {
    const able = exercisesDoing(group, technique, this.library.exercises());
    const done = able.map((e) => ({ ...e, technique }));
    const allowed = new Set(splitAllowed(done, this.cautions()).allowed.map((e) => e.id));
    return able.filter((e) => allowed.has(e.id));
  }

  setLaneStyle(lane: number, styleId: string, week: number): void {
    this.edit((d) => this.withStyle(d, lane, styleId, week));
  }

  /** A lane in another style from a week on, with the exercises it then needs. */
  withStyle(draft: BlockDraft, lane: number, styleId: string, week: number): BlockDraft {
    const d = setStyle(draft, lane, styleId, Math.max(week, this.fromWeek()));
    return {
      ...d,
      lanes: d.lanes.map((l, i) =>
        i === lane
          ? {
              ...l,
              exercises: this.exercisesFor(l.group, [l.styleId, ...l.laterStyles.map((s) => s.styleId)], l.exercises),
            }
          : l,
      ),
    };
  }

  setExercise(lane: number, technique: Technique, exerciseId: string): void {
    this.edit((d) => ({
      ...d,
      lanes: d.lanes.map((l, i) =>
        i === lane
          ? { ...l, exercises: l.exercises.map((e) => (e.technique === technique ? { ...e, exerciseId } : e)) }
          : l,
      ),
    }));
  }

  /** A template as the draft, made for this client; what could not be taken over is returned. */
  applyTemplate(template: BlockTemplate): readonly TemplateNote[] {
    const client = this.client();
    const draft = this.draft();
    const context = draft && this.contextFor(draft);
    if (!client || !draft || !context) return [];
    let notes: readonly TemplateNote[] = [];
    this.edit(() => {
      const made = applyTemplate(template, {
        startDate: draft.startDate,
        client: context.client,
        findStyle: context.findStyle,
        allowed: (g, t) => this.allowedFor(g, t),
        startingDose: (g) => this.planning().startingDoses.find((b) => b.group === g)?.seconds ?? null,
        newId,
      });
      notes = made.notes;
      return made.draft;
    });
    return notes;
  }

  async save(reason: string): Promise<boolean> {
    const draft = this.draft()!;
    const r = this.running();
    return this.attempt(async () => {
      if (r) await firstValueFrom(this.api.reviseBlock(r.id, { ...draft, version: this.base!.version, reason }));
      else {
        await firstValueFrom(this.api.createBlock(this.clientId, { ...draft, id: this.newBlockId, reason }));
        this.newBlockId = newId();
      }
    });
  }

  async end(): Promise<boolean> {
    const r = this.running()!;
    return this.attempt(() => firstValueFrom(this.api.endBlock(r.id, r.version)));
  }

  /** Takes over what somebody else published, with this draft's changes on top; of what both changed, the coach's choice. */
  resolve(choose: (key: string) => 'mine' | 'theirs'): void {
    const c = this.conflict();
    const base = this.base;
    const mine = this.draft();
    if (!c || !base || !mine) return;
    const { draft } = mergeDrafts(base.choices, mine, c.theirs.choices, choose);
    this.blocks.update((all) => all?.map((b) => (b.id === c.theirs.id ? c.theirs : b)) ?? null);
    this.base = { version: c.theirs.version, choices: c.theirs.choices };
    this.conflict.set(null);
    this.problem.set(null);
    this.stack.push(draft);
  }

  private previewOf(draft: BlockDraft | null): Preview | null {
    const context = draft && this.contextFor(draft);
    if (!draft || !context) return null;
    if (draft.lanes.length === 0) return { plan: null, refusal: 'Choose the muscle groups to work on.' };
    try {
      if (!isPlainDate(draft.startDate)) throw new CoreError('invalid-date', 'Choose a start date.');
      const plan = buildBlock(blockInputOf(draft, context));
      return { plan, refusal: null };
    } catch (err) {
      if (err instanceof CoreError) return { plan: null, refusal: err.message };
      throw err;
    }
  }

  private sessionsFor(draft: BlockDraft | null, plan: BlockPlan | null): readonly DatedSession[] {
    if (!draft || !plan) return [];
    try {
      const lanes = draft.lanes.map((l) => ({ exercises: l.exercises, firstSide: 'left' as const }));
      return sessionsOfBlock(plan, draft.startDate, lanes, (id) => this.library.find(id));
    } catch (err) {
      // A technique without its exercise yet: there is nothing to time.
      if (err instanceof CoreError) return [];
      throw err;
    }
  }

  /** What the plan of a draft depends on: the client on its first day, styles, exercises, sides, and weeks that have begun. */
  private contextFor(draft: BlockDraft): PlanContext | null {
    const client = this.client();
    if (!client) return null;
    const running = this.running();
    const from = this.fromWeek();
    return {
      client: {
        age: isPlainDate(draft.startDate) ? ageOn(client.birthDate, draft.startDate) : client.age,
        experience: client.experience,
        trainingDays: client.trainingDays,
        gentleGroups: client.gentleGroups,
        cautions: limitsOfCautions(this.cautions()),
        hypermobile: this.planning().hypermobile,
        minutesPerSession: client.minutesPerSession,
      },
      findStyle: (id) => this.stylesService.find(id),
      findExercise: (id) => this.library.find(id),
      tighterSide: (group) => this.planning().tighter.find((t) => t.group === group)?.side ?? null,
      past: (id) => (running?.lanes.find((l) => l.id === id)?.weeks ?? []).filter((w) => w.week < from),
    };
  }

  private async attempt(work: () => Promise<unknown>): Promise<boolean> {
    this.busy.set(true);
    this.problem.set(null);
    try {
      await work();
      localStorage.removeItem(keyOf(this.clientId));
      await this.load(this.clientId);
      this.context.refresh();
      return true;
    } catch (err) {
      const problem = problemOf(err);
      if (problem.code === 'id-in-use') this.newBlockId = newId();
      const theirs = problem.code === 'stale-version' ? (problem.current as Block | undefined) : undefined;
      const mine = this.draft();
      if (theirs && mine && this.base && theirs.endedAt === null)
        this.conflict.set({ theirs, clashes: mergeDrafts(this.base.choices, mine, theirs.choices).clashes });
      else this.problem.set(problem);
      return false;
    } finally {
      this.busy.set(false);
    }
  }
}

const keyOf = (clientId: string): string => `yandle.block-draft.${clientId}`;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

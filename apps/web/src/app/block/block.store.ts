import { computed, inject, Injectable, signal } from '@angular/core';
import type { Block, BlockBody, Client, Problem } from '@yandle/contract';
import {
  addDays,
  ageOn,
  BLOCK_BOUNDS,
  buildBlock,
  CoreError,
  exercisesFor,
  isPlainDate,
  limitsOfCautions,
  longestSessions,
  sessionsOfBlock,
  sift,
  trainableGroups,
  STYLES,
  weekdayOf,
  type BlockPlan,
  type Caution,
  type Exercise,
  type FindExercise,
  type MuscleGroupId,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { ClientContext } from '../data/client-context';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { LibraryService } from '../library/library.service';

/** A plan that can be drawn, or the reason why there is none. */
export type Preview =
  { readonly plan: BlockPlan; readonly refusal: null } | { readonly plan: null; readonly refusal: string };

/** The block of a client: the running one, and the draft the coach is shaping. The plan itself is computed by the core. */
@Injectable()
export class BlockStore {
  private readonly library = inject(LibraryService);
  private readonly api = inject(Api);
  private readonly context = inject(ClientContext);
  private readonly account = inject(AccountService);

  readonly client = this.context.client;
  readonly cautions = computed((): readonly Caution[] => this.context.path().value?.cautions ?? []);
  /** Stretches that a caution speaks against, with the reasons: a plan never holds one. */
  readonly leftOut = computed(
    () =>
      sift(
        this.library.exercises().filter((e) => e.technique === 'static hold'),
        this.cautions(),
      ).leftOut,
  );
  readonly blocks = signal<readonly Block[] | null>(null);
  readonly problem = signal<Problem | null>(null);
  readonly busy = signal(false);
  readonly draft = signal<BlockBody | null>(null);
  private clientId = '';
  private newBlockId = newId();

  /** The block that counts today; null when none is running. */
  readonly running = computed(() => {
    const today = this.account.me()?.today ?? '';
    return this.blocks()?.find((b) => b.endedAt === null && b.endDate >= today) ?? null;
  });
  readonly past = computed(() => this.blocks()?.filter((b) => b !== this.running()) ?? []);
  readonly editable = computed(() => this.running()?.replannable ?? true);

  readonly preview = computed((): Preview | null => {
    const draft = this.draft();
    const client = this.client();
    if (!draft || !client) return null;
    if (draft.lanes.length === 0) return { plan: null, refusal: 'Choose the muscle groups to work on.' };
    try {
      return { plan: planOf(client, draft, this.cautions(), (id) => this.library.find(id)), refusal: null };
    } catch (err) {
      if (err instanceof CoreError) return { plan: null, refusal: err.message };
      throw err;
    }
  });

  readonly longest = computed(() => {
    const draft = this.draft();
    const client = this.client();
    const plan = this.preview()?.plan;
    if (!draft || !client || !plan) return [];
    const lanes = draft.lanes.map((l) => ({ exerciseId: l.exerciseId, firstSide: 'left' as const }));
    return longestSessions(
      sessionsOfBlock(plan, draft.startDate, client.trainingDays, lanes, (id) => this.library.find(id)),
      draft.weeks,
    );
  });

  /** True when the draft says something else than the block that is running. */
  readonly changed = computed(() => {
    const r = this.running();
    const d = this.draft();
    return r !== null && d !== null && JSON.stringify(bodyOf(r)) !== JSON.stringify(d);
  });

  /** @param suggested groups to begin a new block with; unknown ones, and those without a stretch, are left out */
  async load(clientId: string, suggested: readonly string[] = []): Promise<void> {
    this.clientId = clientId;
    try {
      this.blocks.set(await firstValueFrom(this.api.blocks(clientId)));
      this.problem.set(null);
      this.resetDraft();
      if (!this.running()) for (const group of trainableGroups()) if (suggested.includes(group)) this.toggleLane(group);
    } catch (err) {
      this.problem.set(problemOf(err));
    }
  }

  resetDraft(): void {
    const r = this.running();
    const today = this.account.me()!.today;
    this.draft.set(
      r
        ? bodyOf(r)
        : {
            // The next Monday, so that there is time to measure; today when it is one.
            startDate: addDays(today, (8 - weekdayOf(today)) % 7),
            weeks: BLOCK_BOUNDS.weeks.default,
            ramp: BLOCK_BOUNDS.ramp.default,
            easierEvery: BLOCK_BOUNDS.easierEvery.default,
            lanes: [],
          },
    );
  }

  change(part: Partial<BlockBody>): void {
    this.draft.update((d) => (d ? { ...d, ...part } : d));
  }

  toggleLane(group: MuscleGroupId): void {
    const lanes = this.draft()!.lanes;
    const exerciseId = this.allowedFor(group)[0]?.id ?? exercisesFor(group)[0]!.id;
    this.change({
      lanes: lanes.some((l) => l.group === group)
        ? lanes.filter((l) => l.group !== group)
        : [...lanes, { id: newId(), group, styleId: STYLES[0]!.id, exerciseId }],
    });
  }

  /** Stretches of a group that no caution speaks against. */
  allowedFor(group: MuscleGroupId): readonly Exercise[] {
    return sift(exercisesFor(group, 'static hold', this.library.exercises()), this.cautions()).allowed;
  }

  setExercise(group: MuscleGroupId, exerciseId: string): void {
    this.change({ lanes: this.draft()!.lanes.map((l) => (l.group === group ? { ...l, exerciseId } : l)) });
  }

  async save(): Promise<boolean> {
    const draft = this.draft()!;
    const r = this.running();
    return this.attempt(async () => {
      if (r) await firstValueFrom(this.api.replanBlock(r.id, { ...draft, version: r.version }));
      else {
        await firstValueFrom(this.api.createBlock(this.clientId, { ...draft, id: this.newBlockId }));
        this.newBlockId = newId();
      }
    });
  }

  async end(): Promise<boolean> {
    const r = this.running()!;
    return this.attempt(() => firstValueFrom(this.api.endBlock(r.id, r.version)));
  }

  private async attempt(work: () => Promise<unknown>): Promise<boolean> {
    this.busy.set(true);
    this.problem.set(null);
    try {
      await work();
      await this.load(this.clientId);
      this.context.refresh();
      return true;
    } catch (err) {
      const problem = problemOf(err);
      if (problem.code === 'id-in-use') this.newBlockId = newId();
      this.problem.set(problem);
      return false;
    } finally {
      this.busy.set(false);
    }
  }
}

/** What a coach chose of a block, without what the server made of it. */
function bodyOf(b: Block): BlockBody {
  return {
    startDate: b.startDate,
    weeks: b.weeks,
    ramp: b.ramp,
    easierEvery: b.easierEvery,
    lanes: b.lanes.map(({ id, group, styleId, exerciseId }) => ({ id, group, styleId, exerciseId })),
  };
}

function planOf(client: Client, draft: BlockBody, cautions: readonly Caution[], find: FindExercise): BlockPlan {
  if (!isPlainDate(draft.startDate)) throw new CoreError('invalid-date', 'Choose a start date.');
  for (const lane of draft.lanes) {
    const against = sift([find(lane.exerciseId)], cautions).leftOut[0];
    if (against)
      throw new CoreError(
        'invalid-plan',
        `${against.exercise.name} is left out for this client. ${against.because.map((c) => `${c.title}: ${c.changes}`).join(' ')} Choose another stretch, or take the group out.`,
      );
  }
  return buildBlock({
    client: {
      age: ageOn(client.birthDate, draft.startDate),
      level: client.level,
      trainingDays: client.trainingDays,
      easyOn: client.easyOn,
      cautions: limitsOfCautions(cautions),
    },
    lanes: draft.lanes,
    weeks: draft.weeks,
    ramp: draft.ramp,
    easierEvery: draft.easierEvery,
  });
}

import type {
  BodyRegionId,
  ClientPlace,
  LoadUnit,
  MuscleGroupId,
  SessionItem,
  SessionSettings,
  Side,
  SoreEntry,
  SpacedSession,
  StudioTimings,
  SymptomId,
  WeekWork,
  Wellness,
  DayRound,
  RoundDate,
} from '@yandle/core';

export type { SessionSettings } from '@yandle/core';

/** `planned`: nothing logged. `started`: a run exists and is not finished. `done`: a run was finished. */
export type SessionStatus = 'planned' | 'started' | 'done';

export interface SessionSummary {
  readonly id: string;
  readonly clientId: string;
  /** Null for a session of its own, outside any block. */
  readonly blockId: string | null;
  /** What it is called; null for one that a block has planned. */
  readonly name: string | null;
  readonly date: string;
  /** The day the plan gave it; differs from `date` when the coach moved it. */
  readonly plannedDate: string;
  /** Week of its block; null outside any. */
  readonly week: number | null;
  readonly status: SessionStatus;
  readonly totalSeconds: number;
  readonly exerciseIds: readonly string[];
  /** Left out for a session that is done at once. */
  readonly dayRound?: DayRound;
}

/** Other forms of an exercise that this client may do, for the choice on the spot; null where there is none. */
export interface ItemForms {
  readonly easier: string | null;
  readonly harder: string | null;
  readonly choice: string | null;
}

/** A session with the snapshot it was published with. */
export interface Session extends SessionSummary, SessionSettings {
  readonly clientName: string;
  /** The routine it was made from; null for none. A phone may still hold a session from before this was said. */
  readonly routineId?: string | null;
  /** Name of the routine that its day plan begins with; left out for none. */
  readonly beginsWith?: string;
  /** Rises with every edit of the session. */
  readonly version: number;
  /** How the plan has it gone through; equal to its own until a coach changes the session. */
  readonly asPlanned: SessionSettings;
  readonly minutesBudget: number;
  readonly items: readonly SessionItem[];
  /** The items as the plan has them; equal to `items` until a coach changes the session. */
  readonly plannedItems: readonly SessionItem[];
  /** Other forms of each item, in their order. */
  readonly forms: readonly ItemForms[];
  /** Easy moves to warm up with that the client may do where it takes place, best first. A phone may still hold a session from before this was said. */
  readonly warmUp?: readonly string[];
  /** Seconds of one breath of the client; null until measured. */
  readonly breathSeconds: number | null;
  /** Seconds of everything else that is no stretch, as the studio has settled; a phone may still hold a session from before this was said. */
  readonly timings?: StudioTimings;
  /** The same without brisk changes, for a client whose changes are brisk. */
  readonly steadyTimings?: StudioTimings;
  /** Groups of the block's lanes, the most important first. */
  readonly ranked: readonly MuscleGroupId[];
  /** Where it takes place, with what is at hand there; null for anywhere. A phone may still hold a session from before this was said. */
  readonly place?: ClientPlace | null;
  /** How far the week has come. */
  readonly weekWork: readonly WeekWork[];
  /** The other sessions of the block within a week of this one. */
  readonly near: readonly SpacedSession[];
  /** The run that counts. */
  readonly run: Run | null;
  /** Other runs of the session, on another device or again; they count nothing until the coach chooses one. */
  readonly otherRuns: readonly Run[];
  /** Stop signs of this client on an exercise of this session that no coach has cleared. */
  readonly openSymptoms: readonly SymptomReport[];
  /** Soreness after which its regions rest in this session; a phone may still hold a session from before this was said. */
  readonly sore?: readonly SoreEntry[];
}

/** Sessions of their own for a client, alike on each of their dates: no block is needed. All are made, or none. */
export interface CreateSessionsBody extends SessionSettings {
  /** Each with an id made by the sender: the same request again makes nothing twice. */
  readonly sessions: readonly ({ readonly id: string } & RoundDate)[];
  readonly name: string;
  /** The routine they are made from; null for none. */
  readonly routineId: string | null;
  /** One of the client's places; null for anywhere. */
  readonly placeId: string | null;
  readonly items: readonly SessionItem[];
}

/** Several lists for a client at once, each on its dates: a whole series. All are made, or none. */
export interface CreateSeriesBody {
  readonly lists: readonly CreateSessionsBody[];
}

/** A coach's own version of a session that has not been begun. */
export interface EditSessionBody extends SessionSettings {
  readonly version: number;
  readonly items: readonly SessionItem[];
}

/** An exercise that takes another's place in every coming session of the client. */
export interface SwapComingBody {
  readonly from: string;
  readonly to: string;
}

/** What became of the coming sessions in which the exercise was. */
export interface SwapComing {
  /** With what puts each back as it was. */
  readonly changed: readonly { readonly id: string; readonly date: string; readonly undo: EditSessionBody }[];
  /** Where the other one is in already, its way can't be done with it, or the place has nothing for it. */
  readonly left: readonly { readonly id: string; readonly date: string }[];
}

export interface RestoreSessionBody {
  readonly version: number;
}

/** Who wrote a run down: the coach's screen, the client's phone, or the coach from paper afterwards. */
export const RUN_SOURCES = ['coach', 'client', 'paper'] as const;
export type RunSource = (typeof RUN_SOURCES)[number];

export interface StartRunBody {
  readonly id: string;
  /** Instant, `2026-03-09T08:12:00.000Z`. */
  readonly startedAt: string;
  /** Left out for a run on the coach's screen. */
  readonly source?: 'coach' | 'paper';
  /** How the client felt before it; left out where nobody was asked. */
  readonly wellness?: Wellness;
}

/** Takes something back, or brings it in again. */
export interface WithdrawBody {
  readonly withdrawn: boolean;
}

/** One bout as it was done. A redone bout names the one it replaces. */
export interface SetLogBody {
  /** Place of the item in the session, from 0. */
  readonly item: number;
  readonly side: Side | null;
  readonly set: number;
  readonly plannedSeconds: number;
  readonly doneSeconds: number;
  readonly replaces: string | null;
  /** Repetitions or breaths done; left out where none are counted. */
  readonly reps?: number | null;
  /** Pieces it was held in; left out for one. */
  readonly pieces?: number;
  /** Exercise it was done with when it was another form than the session's. */
  readonly form?: string | null;
  readonly load?: number | null;
  readonly loadUnit?: LoadUnit | null;
  /** Help taken: 2 full, 1 light, 0 none. */
  readonly assistance?: number | null;
  /** Depth reached, centimetres: height of hand, pelvis or support. */
  readonly depthCm?: number | null;
  /** Sensation of this set where it was said, 0-10. */
  readonly sensation?: number | null;
}

export interface SetLog extends SetLogBody {
  readonly id: string;
  readonly replacedBy: string | null;
}

export interface SymptomBody {
  readonly item: number;
  readonly side: Side | null;
  readonly symptom: SymptomId;
  /** Exercise that was being done where it was another form, or the choice; left out or null for as planned. */
  readonly form?: string | null;
  /** When it was felt; left out by devices from before it was said: then it is when it arrived. */
  readonly at?: string;
}

/** Side that felt tighter while stretching; null = not said. Shown beside the test; it triggers nothing alone. */
export const FELT_SIDES = ['left', 'right', 'same'] as const;
export type FeltSide = (typeof FELT_SIDES)[number];

/** An exercise in which one side felt tighter. It stands beside the tests and triggers nothing by itself. */
export interface TighterIn {
  readonly exerciseId: string;
  readonly side: Side;
}

export interface RunAnswers {
  /** 0-10; null = not said. */
  readonly sensation: number | null;
  /** Left out for not said. */
  readonly feltTighter?: FeltSide | null;
  readonly note: string;
}

export interface FinishRunBody extends RunAnswers {
  readonly endedAt: string;
  /** Exercises in which one side felt tighter; left out by senders from before it was asked. */
  readonly tighterIn?: readonly TighterIn[];
}

/** Answers put right afterwards; those before are kept. */
export interface EditAnswersBody extends RunAnswers {
  /** Made by the sender, so that sending twice counts once. */
  readonly id: string;
}

/** Answers as they were given at a time. */
export interface GivenAnswers extends RunAnswers {
  readonly at: string;
}

export interface ChooseRunBody {
  readonly runId: string;
}

/** How a region feels on a day, said the day after. */
export interface SorenessBody {
  readonly date: string;
  readonly region: BodyRegionId | null;
  /** 0-10. */
  readonly soreness: number;
  readonly note: string;
}

export interface Soreness extends SorenessBody {
  readonly id: string;
}

export interface BreathBody {
  /** Seconds of one breath; null to go back to the usual five. */
  readonly seconds: number | null;
}

export interface Run {
  readonly id: string;
  readonly sessionId: string;
  readonly startedAt: string;
  readonly endedAt: string | null;
  readonly source: RunSource;
  readonly sensation: number | null;
  readonly feltTighter: FeltSide | null;
  readonly tighterIn: readonly TighterIn[];
  readonly note: string;
  /** How the client felt before it; null = not asked. */
  readonly wellness: Wellness | null;
  /** Taken back by the coach: it counts nothing. */
  readonly withdrawn: boolean;
  /** Earlier answers, oldest first. */
  readonly earlier: readonly GivenAnswers[];
  readonly sets: readonly SetLog[];
}

export interface SymptomReport {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly sessionId: string;
  readonly exerciseId: string;
  /** The easier or harder form of it that was being done. */
  readonly form?: string | null;
  readonly side: Side | null;
  readonly symptom: SymptomId;
  /** The day it was felt. */
  readonly date: string;
  readonly clearedAt: string | null;
  /** True for one in a log that arrived late: it holds, and is cleared once the coach has taken the log in. */
  readonly late?: boolean;
}

export interface ClearSymptomBody {
  /** What was found. */
  readonly note: string;
  /** Who agreed: name and profession. Asked for where everything, or a whole group, was on hold. */
  readonly who: string;
}

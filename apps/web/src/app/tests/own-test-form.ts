import { TextField } from '../ui/text-field';
import { Requests } from '../data/requests';
import { Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import type { OwnTest, OwnTestBody } from '@yandle/contract';
import { oneOf } from '../ui/one-of';
import {
  LIMIT_SIDES,
  MUSCLE_GROUPS,
  ORIGINS,
  ORIGIN_NOTE,
  POSITIONS,
  type MuscleGroupId,
  type Origin,
  parseNumber,
  MOVERS,
  moverWords,
  TURNING_GROUPS,
  TURNS,
  turnWords,
  type Mover,
  type Turn,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { fieldMessage } from '../data/problem';
import { ProblemNote } from '../ui/problem-note';

/** What the form holds: numbers and lists as the texts that are typed. */
interface Draft {
  readonly name: string;
  readonly motion: string;
  readonly purpose: string;
  readonly position: OwnTestBody['position'];
  /** Empty: not said. */
  readonly moved: Mover | '';
  /** Empty: not said, or no group of it is turned. */
  readonly turns: Turn | '';
  readonly landmarks: string;
  readonly steps: string;
  readonly endPoint: string;
  readonly instruments: string;
  readonly unit: OwnTestBody['unit'];
  readonly reads: string;
  readonly better: OwnTestBody['better'];
  readonly sides: OwnTestBody['sides'];
  readonly valueRule: OwnTestBody['valueRule'];
  readonly repeatTolerance: string;
  readonly resolution: string;
  readonly min: string;
  readonly max: string;
  readonly sem: string;
  readonly semOrigin: Origin;
  readonly semSource: string;
  readonly mean: string;
  readonly sd: string;
  readonly refOrigin: Origin;
  readonly refSource: string;
  readonly limits: OwnTestBody['limits'];
  readonly cautions: string;
  readonly notFor: string;
  readonly faults: string;
}

const NEW: Draft = {
  name: '',
  motion: '',
  purpose: '',
  position: 'standing',
  moved: 'active',
  turns: '',
  landmarks: '',
  steps: '',
  endPoint: '',
  instruments: 'goniometer',
  unit: 'deg',
  reads: '',
  better: 'more',
  sides: 'body',
  valueRule: 'mean',
  repeatTolerance: '5',
  resolution: '1',
  min: '0',
  max: '180',
  sem: '3',
  semOrigin: 'practice',
  semSource: '',
  mean: '',
  sd: '',
  refOrigin: 'own',
  refSource: '',
  limits: [{ group: 'hamstrings', weight: 1 }],
  cautions: 'Stop at pain, tingling or pinching.',
  notFor: '',
  faults: '',
};

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');
const number = (text: string): number => parseNumber(text) ?? NaN;

export function draftOf(t: OwnTest): Draft {
  return {
    ...t,
    moved: t.moved ?? '',
    turns: t.turns ?? '',
    landmarks: t.landmarks.join('\n'),
    steps: t.steps.join('\n'),
    instruments: t.instruments.join('\n'),
    cautions: t.cautions.join('\n'),
    notFor: t.notFor.join('\n'),
    faults: t.faults.join('\n'),
    repeatTolerance: String(t.repeatTolerance),
    resolution: String(t.resolution),
    min: String(t.plausible.min),
    max: String(t.plausible.max),
    sem: String(t.error.sem),
    semOrigin: t.error.source.origin,
    semSource: t.error.source.text,
    mean: t.reference ? String(t.reference.mean) : '',
    sd: t.reference?.sd != null ? String(t.reference.sd) : '',
    refOrigin: t.reference?.source.origin ?? 'own',
    refSource: t.reference?.source.text ?? '',
  };
}

/** True where a group of the test holds two opposite motions. */
export const isTurned = ({ limits }: Pick<Draft, 'limits'>): boolean =>
  limits.some((l) => TURNING_GROUPS.includes(l.group));

/** The body of a draft. A number that is none becomes null, which the server names. */
export function bodyOf(d: Draft, version: number | null, archived: boolean): OwnTestBody {
  return {
    version,
    archived,
    name: d.name.trim(),
    motion: d.motion.trim(),
    purpose: d.purpose.trim(),
    position: d.position,
    landmarks: lines(d.landmarks),
    steps: lines(d.steps),
    endPoint: d.endPoint.trim(),
    instruments: lines(d.instruments),
    unit: d.unit,
    reads: d.reads.trim(),
    better: d.better,
    sides: d.sides,
    valueRule: d.valueRule,
    repeatTolerance: number(d.repeatTolerance),
    resolution: number(d.resolution),
    plausible: { min: number(d.min), max: number(d.max) },
    error: { sem: number(d.sem), source: { origin: d.semOrigin, text: d.semSource.trim() } },
    reference:
      d.mean.trim() === ''
        ? null
        : {
            mean: number(d.mean),
            sd: d.sd.trim() === '' ? null : number(d.sd),
            source: { origin: d.refOrigin, text: d.refSource.trim() },
          },
    // Only a direction leaves open which side it is that is tight.
    limits: d.limits.map(({ side, ...l }) => (d.sides === 'direction' ? { ...l, side: side ?? 'none' } : l)),
    ...(d.moved === '' ? {} : { moved: d.moved }),
    ...(d.turns === '' || !isTurned(d) ? {} : { turns: d.turns }),
    cautions: lines(d.cautions),
    notFor: lines(d.notFor),
    faults: lines(d.faults),
  };
}

/** A test of the coach's own: written once, measured like any other. */
@Component({
  selector: 'y-own-test-form',
  imports: [ProblemNote, TextField],
  templateUrl: './own-test-form.html',
})
export class OwnTestForm {
  private readonly api = inject(Api);
  /** Null for a new one. */
  readonly editing = input<OwnTest | null>(null);
  readonly saved = output<OwnTest>();
  readonly closed = output();
  protected readonly positions = POSITIONS;
  protected readonly movers = MOVERS.map((id) => ({ id, words: moverWords(id) }));
  protected readonly turns = TURNS.map((id) => ({ id, words: turnWords(id) }));
  protected readonly turned = computed(() => isTurned(this.draft()));
  protected readonly origins = ORIGINS.map((id) => ({ id, words: ORIGIN_NOTE[id] }));
  protected readonly groups = MUSCLE_GROUPS;
  protected readonly draft = linkedSignal(() => {
    const e = this.editing();
    return e ? draftOf(e) : NEW;
  });
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  private readonly newId = newId();
  protected readonly locked = computed(() => this.editing()?.used ?? false);
  protected readonly unit = computed(() => (this.draft().unit === 'deg' ? '°' : 'cm'));

  protected set<K extends keyof Draft>(key: K, value: string): void {
    this.draft.update((d) => ({ ...d, [key]: value }));
  }

  protected message(path: string): string | null {
    const p = this.problem();
    return fieldMessage(p, path) ?? p?.errors?.find((e) => e.path.startsWith(`${path}.`))?.message ?? null;
  }

  protected readonly limitSides = [
    { side: 'same', words: 'tight on the side moved to' },
    { side: 'opposite', words: 'tight on the other side' },
    { side: 'none', words: 'doesn’t tell the side' },
  ] as const;

  protected setLimit(i: number, change: { group?: string; weight?: string; side?: string }): void {
    this.draft.update((d) => ({
      ...d,
      limits: d.limits.map((l, at) =>
        at === i
          ? {
              group: (change.group as MuscleGroupId | undefined) ?? l.group,
              weight: change.weight === undefined ? l.weight : Number(change.weight),
              side: oneOf(LIMIT_SIDES, change.side ?? '') ?? l.side,
            }
          : l,
      ),
    }));
  }

  protected addLimit(): void {
    const free = MUSCLE_GROUPS.find((g) => !this.draft().limits.some((l) => l.group === g.id));
    if (free) this.draft.update((d) => ({ ...d, limits: [...d.limits, { group: free.id, weight: 0.5 }] }));
  }

  protected removeLimit(i: number): void {
    this.draft.update((d) => ({ ...d, limits: d.limits.filter((_, at) => at !== i) }));
  }

  protected async save(archived = this.editing()?.archived ?? false): Promise<void> {
    const e = this.editing();
    await this.requests.run(async () => {
      const saved = await firstValueFrom(
        this.api.putOwnTest(e?.id ?? this.newId, bodyOf(this.draft(), e?.version ?? null, archived)),
      );
      this.saved.emit(saved);
    });
  }
}

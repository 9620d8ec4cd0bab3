import type { MuscleGroupId } from '../anatomy/muscle-group.js';
import type { Position } from '../measuring/rom-test.js';
import type { ExerciseTag } from '../screening/cautions.js';
import type { Origin } from '../source.js';
import type { Technique } from '../styles/style.js';

/** One stretch done one way. Data: all that a client needs to copy it and a coach to trust it. */
export interface Exercise {
  readonly id: string;
  readonly name: string;
  /** What it is for, in plain words. */
  readonly aim: string;
  /** The group it works; it is credited with all its seconds. */
  readonly primary: MuscleGroupId;
  /** Groups that are stretched along. Named only: a lane's dose counts its own group. */
  readonly secondary: readonly MuscleGroupId[];
  readonly technique: Technique;
  readonly position: Position;
  /** What it asks beyond position and technique; cautions go by it. */
  readonly tags: readonly ExerciseTag[];
  /** Things it needs; empty for none. */
  readonly props: readonly string[];
  /** `each`: left and right in turn. `both`: one bout works both sides. */
  readonly sides: 'each' | 'both';
  /** At most five short lines. */
  readonly steps: readonly string[];
  readonly breath: string;
  /** The first compensation: not past it. */
  readonly endPoint: string;
  readonly felt: string;
  readonly notFelt: string;
  readonly faults: readonly string[];
  readonly holdRange: { readonly min: number; readonly max: number };
  readonly easier: string;
  readonly harder: string;
  readonly cautions: readonly string[];
  readonly notFor: readonly string[];
  readonly origin: Origin;
}

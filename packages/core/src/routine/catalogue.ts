import { exerciseById } from '../catalogue/exercises.js';
import { firstItem } from '../session/first-item.js';
import type { SessionItem } from '../session/item.js';
import type { RoutineDefinition } from './routine.js';

/** A routine that ships. */
export interface Routine extends RoutineDefinition {
  readonly id: string;
}

type Part = string | readonly [exerciseId: string, over: Partial<SessionItem>];

/** The exercises of a routine in order, each as it first stands but for what is said. */
const list = (...parts: readonly Part[]): readonly SessionItem[] =>
  parts.map((p) => {
    const [id, over] = typeof p === 'string' ? [p, {}] : p;
    return { ...firstItem(exerciseById(id)), ...over };
  });

const hold = (id: string, holdSeconds: number, over: Partial<SessionItem> = {}): Part => [id, { holdSeconds, ...over }];
const reps = (id: string, n: number, over: Partial<SessionItem> = {}): Part => [id, { reps: n, ...over }];
const FLOW = { link: 'flow' } as const;

const PLAIN = { note: '', purpose: 'own', alreadyWarm: false, rounds: 1, minutes: null } as const;

/** Routines of our own making, to begin with and to change. Common practice, no source. */
export const ROUTINES: readonly Routine[] = [
  {
    ...PLAIN,
    id: 'after-running',
    name: 'After running',
    note: 'Legs and hips, standing first, then on the floor. The body is warm from the run.',
    purpose: 'after training',
    alreadyWarm: true,
    items: list(
      hold('straight-knee-wall-calf', 30),
      hold('bent-knee-wall-calf', 30),
      hold('standing-quadriceps', 30),
      hold('half-kneeling-hip-flexor', 40),
      hold('supine-strap-hamstring', 40),
      hold('crossed-knee-pull', 30),
    ),
  },
  {
    ...PLAIN,
    id: 'after-lifting-upper',
    name: 'After lifting, upper body',
    note: 'Chest, back, shoulders and forearms after pressing and pulling.',
    purpose: 'after training',
    alreadyWarm: true,
    items: list(
      hold('doorway-pectorals', 30),
      hold('table-hinge-lats', 30),
      hold('arm-across', 30),
      hold('wall-arm-behind', 20),
      hold('overhead-triceps', 20),
      hold('palms-together-low', 20),
      hold('fist-turn-in', 20),
    ),
  },
  {
    ...PLAIN,
    id: 'after-lifting-lower',
    name: 'After lifting, lower body',
    note: 'Hips, thighs and calves after squats and hinges; the back is let go at the end.',
    purpose: 'after training',
    alreadyWarm: true,
    items: list(
      hold('bent-knee-wall-calf', 30),
      hold('half-kneeling-hip-flexor', 40),
      hold('side-lying-quadriceps', 30),
      hold('supine-strap-hamstring', 40),
      hold('knee-hug', 30),
      hold('lying-figure-four', 30),
      hold('double-knee-hug', 30),
    ),
  },
  {
    ...PLAIN,
    id: 'before-training',
    name: 'Before training, moving',
    note: 'Moving only, small first and larger with every repetition; nothing is held for long.',
    purpose: 'before training',
    items: list(
      reps('march-on-the-spot', 10),
      reps('arm-circles', 8),
      reps('side-lunge', 6),
      reps('leg-swing', 8),
      reps('half-kneeling-ankle-rock', 8),
      reps('cat-and-cow', 4),
    ),
  },
  {
    ...PLAIN,
    id: 'morning-in-bed',
    name: 'Morning in bed',
    note: 'Two rounds, lying, before getting up. The back is not bent to its end in the first hour.',
    purpose: 'on waking',
    rounds: 2,
    items: list(
      reps('lower-rib-breathing', 5),
      hold('long-line-reach', 20),
      reps('knee-wipers', 6),
      hold('knee-hug', 20),
      hold('supine-hands-hamstring', 20),
    ),
  },
  {
    ...PLAIN,
    id: 'chair-only',
    name: 'Chair only',
    note: 'Everything from a chair that does not roll.',
    items: list(
      reps('seated-neck-turns', 5),
      hold('seated-side-bend', 20),
      hold('chair-twist', 20),
      hold('self-hug-round', 20),
      hold('chair-hamstring-hinge', 30),
      hold('chair-figure-four', 30),
      hold('seated-shin-pull', 20),
    ),
  },
  {
    ...PLAIN,
    id: 'desk-break',
    name: 'Desk break, five minutes',
    note: 'Neck and shoulders at the desk.',
    purpose: 'short break',
    minutes: 5,
    items: list(
      reps('seated-neck-turns', 4),
      hold('seated-ear-to-shoulder', 10),
      hold('seated-chin-nod', 15),
      hold('self-hug-round', 15),
      reps('wall-slide', 6),
    ),
  },
  {
    ...PLAIN,
    id: 'evening-breath',
    name: 'Evening with breath',
    note: 'Slow and lying; ends with long breaths out.',
    purpose: 'evening',
    items: list(
      hold('folded-kneel', 40),
      hold('side-lying-open-chest', 30),
      hold('lying-twist', 30),
      hold('wall-straddle', 60),
      hold('lying-open-arms', 60),
      reps('lower-rib-breathing', 10),
    ),
  },
  {
    ...PLAIN,
    id: 'whole-body',
    name: 'Whole body, twenty minutes',
    note: 'Each large region once, from standing to lying.',
    minutes: 20,
    items: list(
      reps('arm-circles', 6),
      hold('straight-knee-wall-calf', 30),
      hold('doorway-pectorals', 30),
      hold('standing-side-bend', 20),
      reps('cat-and-cow', 4),
      hold('half-kneeling-hip-flexor', 40),
      hold('bound-soles-sit', 40),
      hold('supine-strap-hamstring', 40),
      hold('lying-figure-four', 30),
      hold('lying-twist', 30),
    ),
  },
  {
    ...PLAIN,
    id: 'standing-only',
    name: 'Standing only',
    note: 'Nobody goes down to the floor: outdoors, at work, in a hallway. One leads into the next.',
    items: list(
      reps('march-on-the-spot', 8, FLOW),
      reps('side-lunge', 5, FLOW),
      hold('standing-side-bend', 20),
      hold('straight-knee-wall-calf', 30),
      hold('bent-knee-wall-calf', 30),
      hold('standing-quadriceps', 30),
      hold('clasp-and-reach', 20),
      hold('arm-across', 20),
    ),
  },
  {
    ...PLAIN,
    id: 'feet-and-ankles',
    name: 'Feet and ankles',
    note: 'Soles, toes, shins and calves.',
    items: list(
      hold('ball-foot-roll', 40),
      hold('seated-toe-pull', 20),
      hold('seated-shin-pull', 20),
      reps('toe-raises-wall', 10),
      hold('straight-knee-wall-calf', 30),
      hold('bent-knee-wall-calf', 30),
      reps('half-kneeling-ankle-rock', 8),
    ),
  },
  {
    ...PLAIN,
    id: 'neck-and-shoulders',
    name: 'Neck and shoulders',
    note: 'Each neck hold begins with a check without hands, and stays small.',
    items: list(
      reps('seated-neck-turns', 5),
      hold('seated-ear-to-shoulder', 20),
      hold('nose-to-armpit', 20),
      hold('seated-chin-nod', 15),
      reps('wall-slide', 8),
      hold('arm-across', 20),
      hold('doorway-pectorals', 30),
    ),
  },
];

import type { Arm, Leg, PointInSpace, Posture } from '../posture.js';

/** Postures that drawings start from. All for the right side as the worked one. */
export const HANG: Arm = { shoulder: [3, 7], elbow: 8 };
export const STRAIGHT: Leg = { hip: [0, 3], knee: 0, ankle: 'flat' };

export const STANDING: Posture = { left: STRAIGHT, right: STRAIGHT, armLeft: HANG, armRight: HANG };

/** Height of the hip line on a chair, a kneeling body, a floor seat. */
export const SEAT = 0.285;
export const KNEEL = 0.287;
export const FLOOR_SEAT = 0.062;

export const onFoot = (forward: number, right: number, more: object = {}): Leg => ({
  foot: [forward, 0, right],
  ...more,
});
export const reach = (hand: Extract<Arm, { hand: unknown }>['hand'], more: object = {}): Arm => ({ hand, ...more });

/** On a chair, knees at a right angle. */
export const SITTING: Posture = {
  height: SEAT,
  left: onFoot(0.245, -0.1),
  right: onFoot(0.245, 0.1),
  armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
  armRight: reach('kneeR', { off: [-0.06, 0.05, 0] }),
};

/** On the floor, legs straight. */
export const LONG_SITTING: Posture = {
  left: { hip: [90, 4], knee: 0, ankle: 0 },
  right: { hip: [90, 4], knee: 0, ankle: 0 },
  armLeft: reach([-0.1, 0.02, -0.16]),
  armRight: reach([-0.1, 0.02, 0.16]),
};

/** On both knees, upright. */
export const KNEELING: Posture = {
  left: { hip: [0, 4], knee: 90, ankle: -62 },
  right: { hip: [0, 4], knee: 90, ankle: -62 },
  armLeft: HANG,
  armRight: HANG,
};

/** Right knee down, left foot in front. */
export const HALF_KNEELING: Posture = {
  height: KNEEL,
  left: onFoot(0.25, -0.09),
  right: { hip: [0, 3], knee: 90, ankle: -62 },
  armLeft: reach('kneeL', { off: [-0.02, 0.05, 0] }),
  armRight: reach('kneeL', { off: [-0.05, 0.05, 0.03] }),
};

const FLAT_HAND = { points: [1, -0.15, 0] as PointInSpace };
export const ALL_FOURS: Posture = {
  pelvis: [78],
  height: KNEEL,
  left: { hip: [78, 0], knee: 90, ankle: -62 },
  right: { hip: [78, 0], knee: 90, ankle: -62 },
  armLeft: reach([0.336, 0.018, -0.13], FLAT_HAND),
  armRight: reach([0.336, 0.018, 0.13], FLAT_HAND),
  neck: [-18],
};

export const ARM_DOWN_LYING: Arm = { shoulder: [-6, 14], elbow: 6 };
export const SUPINE: Posture = {
  pelvis: [-90],
  left: { hip: [0, 4], knee: 0, ankle: -15 },
  right: { hip: [0, 4], knee: 0, ankle: -15 },
  armLeft: ARM_DOWN_LYING,
  armRight: ARM_DOWN_LYING,
};
export const FOOT_DOWN_LYING = (right: number): Leg => ({ foot: [0.27, 0, right], knee: [0.2, 1, 0] });
export const CROOK: Posture = {
  ...SUPINE,
  height: FLOOR_SEAT,
  left: FOOT_DOWN_LYING(-0.1),
  right: FOOT_DOWN_LYING(0.1),
};

export const PRONE: Posture = {
  pelvis: [90],
  left: { hip: [0, 4], knee: 0, ankle: -60 },
  right: { hip: [0, 4], knee: 0, ankle: -60 },
  armLeft: { shoulder: [4, 20], elbow: 10 },
  armRight: { shoulder: [4, 20], elbow: 10 },
  neck: [-10],
};

/** On the left side, the right one up. Seen from the front. */
export const ON_LEFT_SIDE: Posture = {
  pelvis: [0, -90],
  left: { hip: [20, 0], knee: 25, ankle: -15 },
  right: { hip: [10, 0], knee: 15, ankle: -15 },
  armLeft: { shoulder: [95, 0], elbow: 95 },
  armRight: { shoulder: [12, -4], elbow: 20 },
  neck: [0, 14],
};

export const posed = (base: Posture, over: Partial<Posture>): Posture => ({ ...base, ...over });

/** The leg that kneels while its hip is extended by so much: shin on the floor. */
export const kneeLeg = (hip: number, out = 3): Leg => ({ hip: [hip, out], knee: 90 + hip, ankle: -62 });

/** Kneeling back on the heels. */
const HEELS: Leg = { hip: [68, 5], knee: 158, ankle: -64 };
export const HEEL_SIT: Posture = {
  left: HEELS,
  right: HEELS,
  armLeft: reach('kneeL', { off: [-0.06, 0.05, 0] }),
  armRight: reach('kneeR', { off: [-0.06, 0.05, 0] }),
};

/** Folded forward over the heels, arms long. */
export const FOLDED: Posture = {
  pelvis: [70],
  spine: [28],
  neck: [8],
  left: { hip: [138, 6], knee: 158, ankle: -64 },
  right: { hip: [138, 6], knee: 158, ankle: -64 },
  armLeft: reach([0.66, 0.02, -0.12], { elbow: [0, 0.2, -1] }),
  armRight: reach([0.66, 0.02, 0.12], { elbow: [0, 0.2, 1] }),
};

/** On the floor, knees bent, feet flat. */
export const BENT_SITTING: Posture = {
  height: FLOOR_SEAT,
  left: onFoot(0.28, -0.09, { knee: [0.2, 1, 0] }),
  right: onFoot(0.28, 0.09, { knee: [0.2, 1, 0] }),
  armLeft: reach([-0.16, 0.02, -0.15], { points: [-1, -0.1, 0] }),
  armRight: reach([-0.16, 0.02, 0.15], { points: [-1, -0.1, 0] }),
};

export const CHAIR = { kind: 'chair', at: [0, 0.225, 0], back: true } as const;
export const STOOL = { kind: 'chair', at: [0, 0.225, 0] } as const;
export const BENCH = 0.3;

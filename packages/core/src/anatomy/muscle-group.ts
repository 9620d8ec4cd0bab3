/** Body regions from the floor up: the order in which an otherwise free choice is listed and worked. */
export type Region = 'foot and ankle' | 'leg' | 'hip' | 'trunk' | 'shoulder' | 'arm' | 'neck';

/** The 29 units a programme works on, from the floor up. */
export const MUSCLE_GROUPS = [
  { id: 'plantar-foot', name: 'Plantar foot', region: 'foot and ankle' },
  { id: 'calf', name: 'Calf (gastrocnemius)', region: 'foot and ankle' },
  { id: 'soleus', name: 'Soleus', region: 'foot and ankle' },
  { id: 'shin', name: 'Shin (tibialis anterior)', region: 'foot and ankle' },
  { id: 'hamstrings', name: 'Hamstrings', region: 'leg' },
  { id: 'quadriceps', name: 'Quadriceps', region: 'leg' },
  { id: 'hip-flexors', name: 'Hip flexors', region: 'hip' },
  { id: 'adductors', name: 'Adductors', region: 'hip' },
  { id: 'gluteals', name: 'Gluteals', region: 'hip' },
  { id: 'deep-hip-rotators', name: 'Deep hip rotators', region: 'hip' },
  { id: 'lateral-hip', name: 'Lateral hip (TFL)', region: 'hip' },
  { id: 'low-back', name: 'Low back', region: 'trunk' },
  { id: 'abdominals', name: 'Abdominals', region: 'trunk' },
  { id: 'lateral-trunk', name: 'Lateral trunk', region: 'trunk' },
  { id: 'upper-back', name: 'Upper back', region: 'trunk' },
  { id: 'thoracic-rotators', name: 'Thoracic rotators', region: 'trunk' },
  { id: 'lats', name: 'Lats', region: 'shoulder' },
  { id: 'pectorals', name: 'Pectorals', region: 'shoulder' },
  { id: 'anterior-shoulder', name: 'Anterior shoulder', region: 'shoulder' },
  { id: 'posterior-shoulder', name: 'Posterior shoulder', region: 'shoulder' },
  { id: 'shoulder-rotators', name: 'Shoulder rotators', region: 'shoulder' },
  { id: 'elbow-flexors', name: 'Elbow flexors', region: 'arm' },
  { id: 'triceps', name: 'Triceps', region: 'arm' },
  { id: 'forearm-flexors', name: 'Forearm flexors', region: 'arm' },
  { id: 'forearm-extensors', name: 'Forearm extensors', region: 'arm' },
  { id: 'upper-trapezius', name: 'Upper trapezius with levator', region: 'neck' },
  { id: 'neck-side', name: 'Neck, side', region: 'neck' },
  { id: 'neck-front', name: 'Neck, front', region: 'neck' },
  { id: 'neck-back', name: 'Neck, back', region: 'neck' },
] as const satisfies readonly { id: string; name: string; region: Region }[];

export type MuscleGroupId = (typeof MUSCLE_GROUPS)[number]['id'];

export const MUSCLE_GROUP_IDS: readonly MuscleGroupId[] = MUSCLE_GROUPS.map((g) => g.id);

const NAMES = new Map<string, string>(MUSCLE_GROUPS.map((g) => [g.id, g.name]));

/** The trade name of a muscle group, for screens. */
export function muscleGroupName(id: MuscleGroupId): string {
  return NAMES.get(id) ?? id;
}

const REGIONS = new Map<string, Region>(MUSCLE_GROUPS.map((g) => [g.id, g.region]));

/** The part of the body that a muscle group belongs to. */
export function muscleGroupRegion(id: MuscleGroupId): Region {
  return REGIONS.get(id)!;
}

/** Place of a group counted from the floor up (0 = plantar foot). */
export function muscleGroupOrder(id: MuscleGroupId): number {
  return MUSCLE_GROUP_IDS.indexOf(id);
}

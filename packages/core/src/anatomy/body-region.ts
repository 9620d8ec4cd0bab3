import type { MuscleGroupId } from './muscle-group.js';

const NECK = ['upper-trapezius', 'neck-side', 'neck-front', 'neck-back'] as const;

/** Regions in which a client says that something hurts or feels stiff, and the groups that work there. Common practice, no source. */
export const BODY_REGIONS = [
  { id: 'foot', name: 'Foot and ankle', groups: ['plantar-foot', 'calf', 'soleus', 'shin'] },
  { id: 'lower-leg', name: 'Lower leg', groups: ['calf', 'soleus', 'shin'] },
  { id: 'knee', name: 'Knee', groups: ['quadriceps', 'hamstrings', 'calf', 'lateral-hip'] },
  { id: 'thigh-front', name: 'Front of the thigh', groups: ['quadriceps', 'hip-flexors'] },
  { id: 'thigh-back', name: 'Back of the thigh', groups: ['hamstrings'] },
  { id: 'groin', name: 'Groin and inner thigh', groups: ['adductors', 'hip-flexors'] },
  { id: 'hip', name: 'Hip and buttock', groups: ['gluteals', 'deep-hip-rotators', 'lateral-hip', 'hip-flexors'] },
  {
    id: 'low-back',
    name: 'Low back',
    groups: ['low-back', 'hip-flexors', 'hamstrings', 'lateral-trunk', 'gluteals', 'deep-hip-rotators'],
  },
  { id: 'belly', name: 'Belly', groups: ['abdominals'] },
  { id: 'upper-back', name: 'Upper back', groups: ['upper-back', 'thoracic-rotators', 'lats'] },
  { id: 'chest', name: 'Chest and ribs', groups: ['pectorals', 'thoracic-rotators', 'lateral-trunk'] },
  {
    id: 'shoulder',
    name: 'Shoulder',
    groups: ['anterior-shoulder', 'posterior-shoulder', 'shoulder-rotators', 'pectorals', 'lats'],
  },
  { id: 'arm', name: 'Elbow and upper arm', groups: ['elbow-flexors', 'triceps'] },
  { id: 'hand', name: 'Wrist and forearm', groups: ['forearm-flexors', 'forearm-extensors'] },
  { id: 'neck', name: 'Neck', groups: NECK },
  { id: 'head', name: 'Head and jaw', groups: NECK },
] as const satisfies readonly { id: string; name: string; groups: readonly MuscleGroupId[] }[];

export type BodyRegionId = (typeof BODY_REGIONS)[number]['id'];
export const BODY_REGION_IDS: readonly BodyRegionId[] = BODY_REGIONS.map((r) => r.id);

/** Regions in the middle of the body: they have no left and right. The others are said with a side where one is known. */
const MIDDLE: readonly BodyRegionId[] = ['low-back', 'belly', 'upper-back', 'neck', 'head'];

/** True for a region of which there are two. */
export function isSided(id: BodyRegionId): boolean {
  return !MIDDLE.includes(id);
}

/** Name of a region, for screens. */
export function bodyRegionName(id: BodyRegionId): string {
  return BODY_REGIONS.find((r) => r.id === id)!.name;
}

/** The region in which a group is felt most narrowly: of those that it belongs to, the one with the fewest groups. */
export function regionOfGroup(group: MuscleGroupId): BodyRegionId {
  const own = BODY_REGIONS.filter((r) => (r.groups as readonly MuscleGroupId[]).includes(group));
  return own.reduce((best, r) => (r.groups.length < best.groups.length ? r : best)).id;
}

/** Regions that are worked on with some groups, in the order of the body, each once. */
export function workedRegions(groups: readonly MuscleGroupId[]): BodyRegionId[] {
  const worked = new Set(groups.map(regionOfGroup));
  return BODY_REGION_IDS.filter((id) => worked.has(id));
}

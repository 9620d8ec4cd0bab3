/** Things an exercise may need. */
export const PROPS = [
  { id: 'wall', name: 'Wall' },
  { id: 'doorway', name: 'Doorway' },
  { id: 'chair', name: 'Chair' },
  { id: 'table', name: 'Table' },
  { id: 'sofa', name: 'Sofa or bench' },
  { id: 'step', name: 'Step' },
  { id: 'strap', name: 'Strap' },
  { id: 'band', name: 'Elastic band' },
  { id: 'roller', name: 'Roller' },
  { id: 'ball', name: 'Small ball' },
  { id: 'block', name: 'Block' },
  { id: 'stick', name: 'Stick' },
  { id: 'weight', name: 'Weight' },
  { id: 'cushion', name: 'Cushion' },
  { id: 'rope', name: 'Rope' },
  { id: 'towel', name: 'Towel' },
] as const satisfies readonly { id: string; name: string }[];

export type PropId = (typeof PROPS)[number]['id'];
export const PROP_IDS: readonly PropId[] = PROPS.map((p) => p.id);

/** Found in every home: not asked for, and never a reason to leave an exercise out. Common practice, no source. */
export const EVERYDAY_PROPS: readonly PropId[] = ['wall', 'doorway', 'chair', 'table', 'cushion', 'towel'];

/** Name of a prop, for screens. */
export function propName(id: PropId): string {
  return PROPS.find((p) => p.id === id)!.name;
}

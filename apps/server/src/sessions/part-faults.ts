import {
  amountOf,
  amountVariable,
  kindOf,
  partsOf,
  techniquesOf,
  unitOf,
  type Exercise,
  type SessionItem,
} from '@yandle/core';

/** What of an item cannot be, with its field inside the item. */
export interface PartFault {
  readonly path: string;
  readonly message: string;
}

/** What of the parts of an item cannot be done with its exercise: a schema of single fields cannot say it. */
export function partFaults(item: SessionItem, exercise: Exercise): PartFault[] {
  const can = techniquesOf(exercise);
  return partsOf(item, exercise).flatMap(({ bout }, part): PartFault[] => {
    const at = part === 0 ? '' : `then[${part - 1}].`;
    const fault = (field: string, message: string): PartFault => ({ path: at + field, message });
    if (!can.includes(bout.technique)) return [fault('technique', `${exercise.name} can’t be done like that.`)];
    if (amountOf(bout) < 1) return [fault(amountVariable(bout.technique), 'Say how much of it.')];
    if (bout.trips && unitOf(bout.technique) !== 'repetitions')
      return [fault('trips', 'Only repetitions are counted in trips.')];
    const missing = part === 0 ? undefined : kindOf(bout.technique).needs.find((need) => bout[need] === undefined);
    return missing === undefined ? [] : [fault(missing, 'This part needs it.')];
  });
}

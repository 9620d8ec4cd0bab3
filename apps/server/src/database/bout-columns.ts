import type { Assistance, Bout, LoadUnit, Side } from '@yandle/core';
import { Column } from 'typeorm';

/** How one bout is done, as columns that plans and sessions share. What a technique does not use is null. */
export abstract class BoutColumns {
  @Column({ name: 'sets', type: 'int' }) sets!: number;
  @Column({ name: 'hold_seconds', type: 'int' }) holdSeconds!: number;
  @Column({ name: 'sensation', type: 'int' }) sensation!: number;
  @Column({ name: 'reps', type: 'int', nullable: true }) reps!: number | null;
  @Column({ name: 'cycles', type: 'int', nullable: true }) cycles!: number | null;
  @Column({ name: 'push_seconds', type: 'int', nullable: true }) pushSeconds!: number | null;
  @Column({ name: 'effort', type: 'int', nullable: true }) effort!: number | null;
  @Column({ name: 'lower_seconds', type: 'int', nullable: true }) lowerSeconds!: number | null;
  @Column({ name: 'load_amount', type: 'decimal', precision: 6, scale: 2, nullable: true }) loadAmount!: string | null;
  @Column({ name: 'load_unit', type: 'varchar', length: 20, nullable: true }) loadUnit!: LoadUnit | null;
  @Column({ name: 'assistance', type: 'int', nullable: true }) assistance!: Assistance | null;
  @Column({ name: 'depth', type: 'int', nullable: true }) depth!: number | null;
  @Column({ name: 'bonus_side', type: 'varchar', length: 5, nullable: true }) bonusSide!: Side | null;
  @Column({ name: 'bonus_sets', type: 'int', nullable: true }) bonusSets!: number | null;
  @Column({ name: 'bonus_more', type: 'int', nullable: true }) bonusMore!: number | null;
}

type BoutFields = Omit<Bout, 'technique'>;

/** The columns of a bout. */
export function boutColumns(b: BoutFields): BoutColumns {
  return {
    sets: b.sets,
    holdSeconds: b.holdSeconds,
    sensation: b.sensation,
    reps: b.reps ?? null,
    cycles: b.cycles ?? null,
    pushSeconds: b.pushSeconds ?? null,
    effort: b.effort ?? null,
    lowerSeconds: b.lowerSeconds ?? null,
    loadAmount: b.load === undefined ? null : b.load.toFixed(2),
    loadUnit: b.loadUnit ?? null,
    assistance: b.assistance ?? null,
    depth: b.depth ?? null,
    bonusSide: b.bonus?.side ?? null,
    bonusSets: b.bonus?.sets ?? null,
    bonusMore: b.bonus?.more ?? null,
  };
}

/** The columns of a bout for plain SQL, by the names of the fields. @param alias of the table */
export const boutSelection = (alias: string): string =>
  Object.keys(boutColumns({ sets: 0, holdSeconds: 0, sensation: 0 }))
    .map((field) => `${alias}.${field.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`)} AS ${field}`)
    .join(', ');

/** The bout that columns hold, without its technique. */
export function boutFields(c: BoutColumns): BoutFields {
  return {
    sets: c.sets,
    holdSeconds: c.holdSeconds,
    sensation: c.sensation,
    ...(c.reps === null ? {} : { reps: c.reps }),
    ...(c.cycles === null ? {} : { cycles: c.cycles }),
    ...(c.pushSeconds === null ? {} : { pushSeconds: c.pushSeconds }),
    ...(c.effort === null ? {} : { effort: c.effort }),
    ...(c.lowerSeconds === null ? {} : { lowerSeconds: c.lowerSeconds }),
    ...(c.loadAmount === null ? {} : { load: Number(c.loadAmount) }),
    ...(c.loadUnit === null ? {} : { loadUnit: c.loadUnit }),
    ...(c.assistance === null ? {} : { assistance: c.assistance }),
    ...(c.depth === null ? {} : { depth: c.depth }),
    ...(c.bonusSide === null ? {} : { bonus: { side: c.bonusSide, sets: c.bonusSets ?? 0, more: c.bonusMore ?? 0 } }),
  };
}

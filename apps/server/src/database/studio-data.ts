import { createHash } from 'node:crypto';
import type { EntityManager, EntityTarget, FindManyOptions, FindOptionsWhere, ObjectLiteral } from 'typeorm';
import { HttpProblem, notFound } from '../http/problem.js';

/** Rows that belong to a studio. */
export interface StudioRow extends ObjectLiteral {
  id: string;
  studioId: string;
}

/** Rows that a sender creates with an id of its own. */
export interface CreatedRow extends StudioRow {
  requestHash: string;
}

/** JSON with sorted keys, so that the same content has the same text. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (value !== null && typeof value === 'object')
    return `{${Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`)
      .join(',')}}`;
  return JSON.stringify(value) ?? 'null';
}

/** Fingerprint of a request body. */
export function hashOf(body: unknown): string {
  return createHash('sha256').update(canonical(body)).digest('hex');
}

/**
 * The only way features reach the database: every read and write is scoped by the studio, so that another studio's id looks like a
 * missing one.
 */
export class StudioData {
  constructor(
    readonly manager: EntityManager,
    readonly studioId: string,
  ) {}

  private scoped<T extends StudioRow>(where: FindOptionsWhere<T>): FindOptionsWhere<T> {
    return { ...where, studioId: this.studioId };
  }

  find<T extends StudioRow>(
    entity: EntityTarget<T>,
    where: FindOptionsWhere<T>,
    options: Omit<FindManyOptions<T>, 'where'> = {},
  ): Promise<T[]> {
    return this.manager.find(entity, { ...options, where: this.scoped(where) });
  }

  async findOne<T extends StudioRow>(
    entity: EntityTarget<T>,
    where: FindOptionsWhere<T>,
    options: Omit<FindManyOptions<T>, 'where'> = {},
  ): Promise<T | null> {
    return this.manager.findOne(entity, { ...options, where: this.scoped(where) });
  }

  /** @throws HttpProblem `not-found` */
  async get<T extends StudioRow>(entity: EntityTarget<T>, id: string, what: string): Promise<T> {
    const row = await this.findOne(entity, { id } as FindOptionsWhere<T>);
    if (!row) throw notFound(what);
    return row;
  }

  /** As {@link get}, and nobody else can change the row until the transaction ends. */
  async getLocked<T extends StudioRow>(entity: EntityTarget<T>, id: string, what: string): Promise<T> {
    const row = await this.manager.findOne(entity, {
      where: this.scoped({ id } as FindOptionsWhere<T>),
      lock: { mode: 'pessimistic_write' },
    });
    if (!row) throw notFound(what);
    return row;
  }

  async insert<T extends StudioRow>(entity: EntityTarget<T>, row: Omit<T, 'studioId'>): Promise<void> {
    await this.manager.insert(entity, { ...row, studioId: this.studioId } as never);
  }

  async insertMany<T extends StudioRow>(entity: EntityTarget<T>, rows: readonly Omit<T, 'studioId'>[]): Promise<void> {
    if (rows.length > 0)
      await this.manager.insert(entity, rows.map((r) => ({ ...r, studioId: this.studioId })) as never);
  }

  async update<T extends StudioRow>(
    entity: EntityTarget<T>,
    where: FindOptionsWhere<T>,
    values: Partial<T>,
  ): Promise<number> {
    const { affected } = await this.manager.update(entity, this.scoped(where), values);
    return affected ?? 0;
  }

  async delete<T extends StudioRow>(entity: EntityTarget<T>, where: FindOptionsWhere<T>): Promise<void> {
    await this.manager.delete(entity, this.scoped(where));
  }

  /**
   * Idempotent creation. True when the row has to be written; false when the same body created it before.
   * @throws HttpProblem `id-in-use` when the id was used with another body, or elsewhere
   */
  async isNew<T extends CreatedRow>(entity: EntityTarget<T>, id: string, body: unknown): Promise<boolean> {
    const row = await this.manager.findOne(entity, { where: { id } as FindOptionsWhere<T> });
    if (!row) return true;
    if (row.studioId === this.studioId && row.requestHash === hashOf(body)) return false;
    throw new HttpProblem('id-in-use', 'This id was used before with other content. Make a new id and send again.');
  }

  /** All or nothing. */
  transaction<R>(work: (data: StudioData) => Promise<R>): Promise<R> {
    return this.manager.transaction((m) => work(new StudioData(m, this.studioId)));
  }
}

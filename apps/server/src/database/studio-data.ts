import { createHash } from 'node:crypto';
import { canonicalize } from 'json-canonicalize';
import type {
  EntityManager,
  EntityTarget,
  FindManyOptions,
  FindOptionsWhere,
  ObjectLiteral,
  SelectQueryBuilder,
} from 'typeorm';
import type { AuditAction } from '@yandle/contract';
import { v7 as uuid } from 'uuid';
import { SYSTEM, type Actor } from '../audit/actor.js';
import { StudioEntity } from '../accounts/entities.js';
import { AuditEntryEntity } from '../audit/entities.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { withRetries } from './retry.js';

/** Rows that belong to a studio. */
export interface StudioRow extends ObjectLiteral {
  id: string;
  studioId: string;
}

/** Rows that a sender creates with an id of its own. */
export interface CreatedRow extends StudioRow {
  requestHash: string;
}

/** A row to be written, all but its studio. */
export type NewRow<T extends StudioRow> = Omit<T, 'studioId'> & Partial<T>;

/** Fingerprint of a request body. */
export function hashOf(body: unknown): string {
  return createHash('sha256').update(canonicalize(body)).digest('hex');
}

/**
 * The only way features reach the database: every read and write is scoped by the studio, so that another studio's id looks like a
 * missing one. One for each request, with its moment.
 */
export class StudioData {
  constructor(
    private readonly manager: EntityManager,
    readonly studioId: string,
    /** The moment of the request: everything it writes is of this time. */
    readonly now: Date,
    /** Who asks: what is done is written down under their name. */
    readonly by: Actor = SYSTEM,
  ) {}

  /** Writes down that something was done, in the transaction that does it. Codes and ids only: nothing about anybody's health. */
  async audit(
    action: AuditAction,
    about: { readonly clientId?: string | null; readonly subject?: string } = {},
  ): Promise<void> {
    await this.insert(AuditEntryEntity, {
      id: uuid(),
      at: this.now,
      actor: this.by.kind,
      coachId: this.by.coachId,
      clientId: about.clientId ?? null,
      action,
      subject: about.subject ?? '',
      address: this.by.address,
    });
  }

  private scoped<T extends StudioRow>(where: FindOptionsWhere<T>): FindOptionsWhere<T> {
    return { ...where, studioId: this.studioId };
  }

  /** Rows of the studio for a query of one's own, as `alias`; narrowed with `andWhere`. */
  rows<T extends StudioRow>(entity: EntityTarget<T>, alias: string): SelectQueryBuilder<T> {
    return this.manager
      .createQueryBuilder(entity, alias)
      .where(`${alias}.studioId = :ownStudio`, { ownStudio: this.studioId });
  }

  /**
   * Reads by plain SQL, for lists where entities cost more than they give. `{studio}` in it stands for the own studio and has to be there; the
   * other values are named, as `:date`. Lists go into `IN (:ids)`.
   */
  async read<T extends object>(sql: string, values: Readonly<Record<string, unknown>> = {}): Promise<T[]> {
    if (!sql.includes('{studio}')) throw new Error('read() without {studio}');
    const given: unknown[] = [];
    const text = sql.replace(/\{studio\}|:([a-zA-Z]+)/g, (_, name: string | undefined) => {
      given.push(name === undefined ? this.studioId : values[name]);
      return '?';
    });
    return this.manager.query<T[]>(text, given);
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
    const row = await this.rows(entity, 'r').andWhere('r.id = :id', { id }).getOne();
    if (!row) throw notFound(what);
    return row;
  }

  /** As {@link get}, and nobody else can change the row until the transaction ends. */
  async getLocked<T extends StudioRow>(entity: EntityTarget<T>, id: string, what: string): Promise<T> {
    const row = await this.rows(entity, 'r').andWhere('r.id = :id', { id }).setLock('pessimistic_write').getOne();
    if (!row) throw notFound(what);
    return row;
  }

  /** All rows that fit, in order of id; nobody else can change or remove them until the transaction ends. */
  async findLocked<T extends StudioRow>(entity: EntityTarget<T>, where: FindOptionsWhere<T>): Promise<T[]> {
    return this.rows(entity, 'r').andWhere(where).orderBy('r.id').setLock('pessimistic_write').getMany();
  }

  async insert<T extends StudioRow>(entity: EntityTarget<T>, row: NewRow<T>): Promise<void> {
    await this.insertMany(entity, [row]);
  }

  async insertMany<T extends StudioRow>(entity: EntityTarget<T>, rows: readonly NewRow<T>[]): Promise<void> {
    const whole = rows.map((r): Partial<T> => ({ ...r, studioId: this.studioId }));
    if (whole.length > 0) await this.manager.insert(entity, whole);
  }

  async update<T extends StudioRow>(
    entity: EntityTarget<T>,
    where: FindOptionsWhere<T>,
    values: Partial<T>,
  ): Promise<number> {
    const { affected } = await this.manager.update(entity, this.scoped(where), values);
    return affected ?? 0;
  }

  /** Changes one row. */
  async updateRow<T extends StudioRow>(entity: EntityTarget<T>, id: string, values: Partial<T>): Promise<void> {
    await this.manager
      .createQueryBuilder()
      .update(entity)
      .set(values)
      .where('id = :id AND studioId = :ownStudio', { id, ownStudio: this.studioId })
      .execute();
  }

  private known: Promise<StudioEntity> | null = null;

  /** The studio itself, read once. */
  studio(): Promise<StudioEntity> {
    return (this.known ??= this.manager.findOneByOrFail(StudioEntity, { id: this.studioId }));
  }

  /** Changes what the studio itself is called and goes by. */
  async updateStudio(
    values: Partial<Pick<StudioEntity, 'name' | 'timeZone' | 'retentionMonths' | 'settings'>>,
  ): Promise<void> {
    this.known = null;
    await this.manager.update(StudioEntity, { id: this.studioId }, values);
  }

  async delete<T extends StudioRow>(entity: EntityTarget<T>, where: FindOptionsWhere<T>): Promise<void> {
    await this.manager.delete(entity, this.scoped(where));
  }

  /**
   * Idempotent creation. True when the row has to be written; false when the same body created it before.
   * @throws HttpProblem `id-in-use` when the id was used with another body, or elsewhere
   */
  async isNew<T extends CreatedRow>(entity: EntityTarget<T>, id: string, body: unknown): Promise<boolean> {
    // An id of another studio too is in use.
    const row = await this.manager.createQueryBuilder(entity, 'r').where('r.id = :id', { id }).getOne();
    if (!row) return true;
    if (row.studioId === this.studioId && row.requestHash === hashOf(body)) return false;
    throw new HttpProblem('id-in-use', 'This id was used before with other content. Make a new id and send again.');
  }

  /**
   * All or nothing. Reads see what others have committed, so what must not change meanwhile is locked first. When it meets another
   * transaction it is done again ({@link withRetries}); inside another transaction that one is.
   * @param once true for work that cannot be done twice, such as reading a request to its end
   */
  transaction<R>(work: (data: StudioData) => Promise<R>, { once = false } = {}): Promise<R> {
    const within = this.manager.queryRunner?.isTransactionActive ?? false;
    const inside = (m: EntityManager) => work(new StudioData(m, this.studioId, this.now, this.by));
    const run = () => (within ? this.manager.transaction(inside) : this.manager.transaction('READ COMMITTED', inside));
    return once || within ? run() : withRetries(run);
  }
}

import { createConnection, type Connection, type RowDataPacket } from 'mysql2/promise';
import { MIGRATIONS } from './migrations/index.js';

/** Milliseconds in which the database has to answer. */
const PATIENCE_MS = 800;

/** What the database said, or did not. */
export type DatabaseState =
  | {
      readonly database: 'up';
      readonly migration: string | null;
      readonly migrated: boolean;
      readonly needsSetup: boolean;
    }
  | { readonly database: 'down' | 'slow' };

/** Asks the database how it is, over a connection of its own: busy routes cannot keep it from an answer. */
export class HealthProbe {
  private connection: Promise<Connection> | null = null;
  private asking: Promise<DatabaseState> | null = null;

  constructor(private readonly url: string) {}

  /** Answers within a second. Several who ask at once are told the same. */
  ask(): Promise<DatabaseState> {
    this.asking ??= this.askNow().finally(() => (this.asking = null));
    return this.asking;
  }

  private async askNow(): Promise<DatabaseState> {
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<DatabaseState>((resolve) => {
      timer = setTimeout(() => resolve({ database: 'slow' }), PATIENCE_MS);
    });
    try {
      const state = await Promise.race([this.query(), late]);
      // What is stuck may never answer: the next one asks over a new line.
      if (state.database !== 'up') this.drop();
      return state;
    } catch {
      this.drop();
      return { database: 'down' };
    } finally {
      clearTimeout(timer);
    }
  }

  private async query(): Promise<DatabaseState> {
    this.connection ??= this.open();
    const connection = await this.connection;
    const [rows] = await connection.query<RowDataPacket[]>(
      'SELECT (SELECT name FROM migration ORDER BY id DESC LIMIT 1) AS newest, (SELECT COUNT(*) FROM migration) AS done, EXISTS (SELECT 1 FROM studio) AS studios',
    );
    const row = rows[0] as { newest: string | null; done: number; studios: number };
    return {
      database: 'up',
      migration: row.newest,
      migrated: Number(row.done) >= MIGRATIONS.length,
      needsSetup: Number(row.studios) === 0,
    };
  }

  private async open(): Promise<Connection> {
    const connection = await createConnection({ uri: this.url, connectTimeout: PATIENCE_MS });
    connection.once('error', () => this.drop());
    return connection;
  }

  private drop(): void {
    const { connection } = this;
    this.connection = null;
    void connection?.then((c) => c.destroy()).catch(() => undefined);
  }

  close(): void {
    this.drop();
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';

/** Which lanes of running blocks stand still, as last looked at. Each step may be run again. */
export class Standstills1800400000000 implements MigrationInterface {
  readonly name = 'Standstills1800400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS standstill (
        id ${ID},
        studio_id ${ID},
        block_id ${ID},
        week int NOT NULL,
        lanes text NOT NULL,
        looked_at datetime(3) NOT NULL,
        UNIQUE INDEX IDX_standstill_block (block_id),
        INDEX IDX_standstill_studio (studio_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_standstill_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_standstill_block FOREIGN KEY (block_id) REFERENCES block (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS standstill');
  }
}

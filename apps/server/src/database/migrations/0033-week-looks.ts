import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';

/** What the server found when it last looked at the weeks of running blocks. Each step may be run again. */
export class WeekLooks1800400000000 implements MigrationInterface {
  readonly name = 'WeekLooks1800400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS week_look (
        id ${ID},
        studio_id ${ID},
        block_id ${ID},
        week int NOT NULL,
        reviewable int NOT NULL,
        still text NOT NULL,
        looked_at datetime(3) NOT NULL,
        UNIQUE INDEX IDX_week_look_block (block_id),
        INDEX IDX_week_look_studio (studio_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_week_look_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_week_look_block FOREIGN KEY (block_id) REFERENCES block (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS week_look');
  }
}

import type { MigrationInterface, QueryRunner } from 'typeorm';

const ID = 'char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL';

/** What coaches decide in weekly reviews. Each step may be run again. */
export class Reviews1799900000000 implements MigrationInterface {
  readonly name = 'Reviews1799900000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS review (
        id ${ID},
        studio_id ${ID},
        block_id ${ID},
        lane_key varchar(40) NOT NULL,
        week int NOT NULL,
        from_week int NOT NULL,
        move varchar(20) NOT NULL,
        proposed text NOT NULL,
        reason varchar(300) NOT NULL,
        coach_id ${ID},
        withdrawn_at datetime(3) NULL,
        created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
        INDEX IDX_review_block (block_id),
        INDEX IDX_review_studio (studio_id),
        INDEX IDX_review_coach (coach_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_review_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_review_block FOREIGN KEY (block_id) REFERENCES block (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_review_coach FOREIGN KEY (coach_id) REFERENCES coach (id) ON DELETE RESTRICT ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS review');
  }
}

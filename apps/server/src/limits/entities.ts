import { Column, Entity, Index, PrimaryColumn } from 'typeorm';
import { InstantColumn } from '../database/columns.js';

/** How often something was tried, for all processes together. What was tried, and by whom, is hashed. */
@Entity('attempt')
export class AttemptEntity {
  @PrimaryColumn({ name: 'bucket', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  bucket!: string;
  @Column({ name: 'hits', type: 'int' }) hits!: number;
  @Index('IDX_attempt_until')
  @InstantColumn('until')
  until!: Date;
}

import { Injectable } from '@angular/core';
import type { BoxName } from '../data/outbox/outbox-db';
import { Outbox } from '../data/outbox/outbox';
import { takeOverPhone } from './phone-db';

/** The outbox of a client's phone: its own box, under the paths that its link opens. */
@Injectable()
export class PhoneOutbox extends Outbox {
  protected override get box(): BoxName {
    return 'phone';
  }

  protected override get root(): string {
    return '/api/v1/shared';
  }

  protected override takeOver(): Promise<void> {
    return takeOverPhone();
  }
}

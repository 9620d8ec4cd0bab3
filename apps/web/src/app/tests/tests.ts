import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { OWN_TEST_PREFIX, type OwnBattery, type OwnTest } from '@yandle/contract';
import { BATTERIES, batteryMinutes, POSITIONS, type RomTest } from '@yandle/core';
import { TestCatalogueService } from '../data/test-catalogue.service';
import { ToastService } from '../data/toast.service';
import { BatteryForm } from './battery-form';
import { OwnTestForm } from './own-test-form';
import { TestDetail } from './test-detail';

/** What the right side shows. */
type Open =
  | { readonly kind: 'test'; readonly id: string }
  | { readonly kind: 'test form'; readonly test: OwnTest | null }
  | { readonly kind: 'battery form'; readonly battery: OwnBattery | null };

/** The tests a studio works with: the catalogue with its sources, and tests and batteries of its own. */
@Component({
  selector: 'y-tests',
  imports: [RouterLink, TestDetail, OwnTestForm, BatteryForm],
  templateUrl: './tests.html',
})
export class TestsScreen {
  protected readonly testCatalogue = inject(TestCatalogueService);
  private readonly toasts = inject(ToastService);
  protected readonly search = signal('');
  protected readonly open = signal<Open>({ kind: 'test', id: 'weight-bearing-lunge' });
  protected readonly shipped = BATTERIES;

  protected readonly groups = computed(() => {
    const words = this.search().trim().toLowerCase();
    const { tests } = this.testCatalogue.catalogue();
    const fits = (t: RomTest) => `${t.name} ${t.motion} ${t.position}`.toLowerCase().includes(words);
    return POSITIONS.map((position) => ({
      position,
      tests: tests.filter((t) => t.position === position && fits(t)),
    })).filter((g) => g.tests.length > 0);
  });
  protected readonly shown = computed(() => {
    const o = this.open();
    return o.kind === 'test' ? (this.testCatalogue.catalogue().tests.find((t) => t.id === o.id) ?? null) : null;
  });

  protected ownOf(test: RomTest): OwnTest | null {
    return this.testCatalogue.view().ownTests.find((o) => OWN_TEST_PREFIX + o.id === test.id) ?? null;
  }

  protected isRetired(test: RomTest): boolean {
    return this.testCatalogue.catalogue().archived.has(test.id);
  }

  protected minutes(ids: readonly string[]): number {
    const { tests } = this.testCatalogue.catalogue();
    return batteryMinutes(ids.flatMap((id) => tests.filter((t) => t.id === id)));
  }

  protected async testKept(test: OwnTest): Promise<void> {
    await this.testCatalogue.load();
    this.open.set({ kind: 'test', id: OWN_TEST_PREFIX + test.id });
    this.toasts.show(`${test.name} is saved.`);
  }

  protected async batteryKept(battery: OwnBattery): Promise<void> {
    await this.testCatalogue.load();
    this.open.set({ kind: 'test', id: battery.testIds[0]! });
    this.toasts.show(`${battery.name} is saved.`);
  }

  protected close(): void {
    this.open.set({ kind: 'test', id: 'weight-bearing-lunge' });
  }
}

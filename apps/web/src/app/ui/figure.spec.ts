import { TestBed } from '@angular/core/testing';
import { Screen } from '../testing/screen';
import { FigureView } from './figure';
import { MotionService } from './motion.service';

describe('FigureView', () => {
  const paths = (s: Screen<FigureView>) => [...s.el.querySelectorAll('path')].map((p) => p.getAttribute('d')).join();
  const pause = (ms: number) => new Promise((r) => setTimeout(r, ms));

  it('draws what is there, with its words, and nothing for what is not', async () => {
    const screen = await Screen.open(FigureView, { figure: 'deep-squat-hold', label: 'Deep squat' });
    await screen.settle();
    expect(screen.el.querySelector('svg')!.getAttribute('aria-label')).toBe('Deep squat');
    expect(screen.el.querySelectorAll('path[stroke="var(--fig-stretched)"]')).toHaveLength(2);
    screen.fixture.componentRef.setInput('figure', 'none-such');
    await screen.settle();
    expect(screen.el.querySelector('svg')).toBeNull();
  });

  it('shows where it starts as a shadow, within one box', async () => {
    const screen = await Screen.open(FigureView, { figure: 'weighted-hinge' });
    await screen.settle();
    expect(screen.el.querySelectorAll('path[fill="var(--fig-shadow)"]').length).toBeGreaterThan(3);
    const still = screen.el.querySelector('svg')!.getAttribute('viewBox');
    screen.fixture.componentRef.setInput('moving', true);
    await screen.settle();
    expect(screen.el.querySelector('svg')!.getAttribute('viewBox')).toBe(still);
  });

  it('moves on demand, and not for readers who want no motion', async () => {
    const screen = await Screen.open(FigureView, { figure: 'weighted-hinge', moving: true });
    await pause(60);
    await screen.settle();
    const one = paths(screen);
    await pause(120);
    await screen.settle();
    expect(paths(screen)).not.toBe(one);
    TestBed.inject(MotionService).allowed.set(false);
    await screen.settle();
    const calm = paths(screen);
    await pause(80);
    await screen.settle();
    expect(paths(screen)).toBe(calm);
    expect(calm).toContain('M');
  });

  it('stands still when there is only one posture', async () => {
    const screen = await Screen.open(FigureView, { figure: 'deep-squat-hold', moving: true });
    const one = paths(screen);
    await pause(80);
    await screen.settle();
    expect(paths(screen)).toBe(one);
  });
});

import { Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Block } from '@yandle/contract';
import { TEMPLATES } from '@yandle/core';
import { ClientContext } from '../data/client-context';
import { aBlock, aDraft } from '../testing/a-block';
import { PATH, Screen } from '../testing/screen';
import { BlockData, NO_PLANNING } from './block-data';
import { BlockPlanner } from './block-planner';
import { BlockSelection } from './block-selection';
import { BlockTool } from './block-tool';
import { BlockStore } from './block.store';

@Component({
  selector: 'y-tool-host',
  template: '',
  providers: [BlockData, BlockPlanner, BlockStore, BlockSelection, BlockTool],
})
class Host {
  readonly store = inject(BlockStore);
  readonly tool = inject(BlockTool);
}

describe('BlockTool', () => {
  let store: BlockStore;
  let tool: BlockTool;

  async function open(blocks: Block[]): Promise<void> {
    const screen = await Screen.open(Host);
    ({ store, tool } = screen.fixture.componentInstance);
    TestBed.inject(ClientContext).open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
    const loaded = store.load('c1');
    for (const path of ['/own-exercises', '/own-styles'])
      for (const r of screen.http.match(`/api/v1${path}`)) r.flush([]);
    await screen.settle();
    screen.http.expectOne('/api/v1/clients/c1/blocks').flush(blocks);
    await screen.answer('/clients/c1/planning', NO_PLANNING);
    await loaded;
  }

  it('shows a cell that is picked, unless a what-if looks at it', async () => {
    await open([aBlock()]);
    tool.open('templates');
    tool.cellPicked();
    expect(tool.shown()).toBe('cell');
    tool.openWhatIf();
    tool.cellPicked();
    expect(tool.shown()).toBe('what-if');
  });

  it('lays a what-if over the draft, and applies or drops it', async () => {
    await open([aBlock()]);
    tool.openWhatIf();
    store.whatIf.update((d) => ({ ...d!, ramp: 0.3 }));
    tool.close();
    expect([store.whatIf(), store.draft()!.ramp, tool.shown()]).toEqual([null, 0.2, 'cell']);
    tool.openWhatIf();
    store.whatIf.update((d) => ({ ...d!, ramp: 0.3 }));
    tool.applyWhatIf();
    expect([store.whatIf(), store.draft()!.ramp, store.canUndo()]).toEqual([null, 0.3, true]);
  });

  it('suggests the reason of the next version', async () => {
    await open([aBlock()]);
    tool.renew();
    expect([store.renewing(), tool.reason()]).toEqual([true, 'Updated after the latest assessment']);
    tool.restore({ choices: aDraft({ ramp: 0.1 }), number: 2 });
    expect([store.draft()!.ramp, tool.reason()]).toEqual([0.1, 'Back to version 2']);
  });

  it('puts a template into the draft; undo takes it out again', async () => {
    await open([]);
    tool.useTemplate(TEMPLATES[0]!);
    expect(store.draft()!.lanes.length).toBeGreaterThan(0);
    store.undo();
    expect(store.draft()!.lanes).toEqual([]);
  });
});

import { TestBed } from '@angular/core/testing';
import { Component, inject } from '@angular/core';
import { PATH, Screen } from '../testing/screen';
import { ClientContext } from './client-context';

@Component({ selector: 'y-host', template: '' })
class Host {
  readonly context = inject(ClientContext);
}

describe('ClientContext', () => {
  let screen: Screen<Host>;
  let context: ClientContext;

  beforeEach(async () => {
    screen = await Screen.open(Host);
    context = TestBed.inject(ClientContext);
    context.open('c1');
    await screen.settle();
    await screen.answer('/clients/c1', PATH);
  });

  const problem = (status: number) => ({ code: 'x', title: 'x', detail: 'x', status });

  it('keeps the open client when asking again fails, and takes the new state when it works', async () => {
    context.refresh();
    await screen.settle();
    expect(context.client()!.name).toBe('Ottoline Varga');
    await screen.answer('/clients/c1', problem(503), 503);
    expect(context.path().state).toBe('ready');
    context.refresh();
    await screen.settle();
    await screen.answer('/clients/c1', { ...PATH, client: { ...PATH.client, name: 'Renamed' } });
    expect(context.client()!.name).toBe('Renamed');
  });

  it('lets a client go who is no longer there', async () => {
    context.refresh();
    await screen.settle();
    await screen.answer('/clients/c1', problem(404), 404);
    expect(context.path().state).toBe('failed');
    expect(context.client()).toBeNull();
  });

  it('shows nothing of the client before while another one is on the way', async () => {
    context.open('c2');
    await screen.settle();
    expect(context.client()).toBeNull();
    await screen.answer('/clients/c2', { ...PATH, client: { ...PATH.client, id: 'c2', name: 'Somebody else' } });
    expect(context.client()!.name).toBe('Somebody else');
  });
});

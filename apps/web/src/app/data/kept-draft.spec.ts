import { KeptDraft } from './kept-draft';

describe('KeptDraft', () => {
  beforeEach(() => sessionStorage.clear());

  it('keeps what is typed through a reload, each of its own', () => {
    new KeptDraft<string>('a').write('typed');
    expect(new KeptDraft<string>('a').read()).toBe('typed');
    expect(new KeptDraft<string>('b').read()).toBeNull();
    new KeptDraft('a').clear();
    expect(new KeptDraft('a').read()).toBeNull();
  });

  it('reads nothing from what is broken', () => {
    sessionStorage.setItem('a', '{');
    expect(new KeptDraft('a').read()).toBeNull();
  });
});

import { Voice } from './voice';

describe('Voice', () => {
  const spoken: string[] = [];
  let cancelled = 0;
  let pending = false;
  const voice = new Voice();

  beforeEach(() => {
    spoken.length = 0;
    cancelled = 0;
    pending = false;
    voice.on = true;
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    );
    vi.stubGlobal('speechSynthesis', {
      speak: (u: { text: string }) => spoken.push(u.text),
      cancel: () => cancelled++,
      get pending() {
        return pending;
      },
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('never cuts a sentence off by the next', () => {
    voice.say('Hold, 30 seconds.');
    voice.say('Rest, 10 seconds.');
    expect(spoken).toEqual(['Hold, 30 seconds.', 'Rest, 10 seconds.']);
    expect(cancelled).toBe(0);
  });

  it('leaves out what it can spare when it is behind, never what must be said', () => {
    pending = true;
    voice.say('Sit tall.', true);
    voice.say('Other side.');
    expect(spoken).toEqual(['Other side.']);
  });

  it('is silent at once when the session stops', () => {
    voice.stop();
    expect(cancelled).toBe(1);
  });
});

import { Headset } from './headset';

describe('Headset', () => {
  const handlers: Record<string, (() => void) | null> = {};
  const session = {
    playbackState: 'none',
    metadata: null,
    setActionHandler: (key: string, work: (() => void) | null) => (handlers[key] = work),
  };
  let played = 0;
  let stopped = 0;

  beforeEach(() => {
    played = stopped = 0;
    vi.stubGlobal('navigator', { mediaSession: session });
    vi.stubGlobal(
      'Audio',
      class {
        loop = false;
        constructor(readonly src: string) {}
        play = () => Promise.resolve(void played++);
        pause = () => void stopped++;
      },
    );
    vi.spyOn(URL, 'createObjectURL').mockReturnValue('blob:silence');
    vi.spyOn(URL, 'revokeObjectURL').mockReturnValue(undefined);
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });

  it('gives the keys of a headset to the session, from its start to its end', () => {
    const heard: string[] = [];
    const headset = new Headset(
      () => heard.push('play'),
      () => heard.push('pause'),
    );
    headset.hold('Ottoline Varga');
    handlers['pause']!();
    handlers['play']!();
    expect(heard).toEqual(['pause', 'play']);
    headset.running(false);
    expect(session.playbackState).toBe('paused');
    headset.release();
    expect(handlers).toEqual({ play: null, pause: null });
    expect(stopped).toBe(1);
  });

  it('plays silence while it holds them, of ten seconds: 44 bytes of head and 8000 a second', () => {
    let blob: Blob | null = null;
    vi.spyOn(URL, 'createObjectURL').mockImplementation((b) => {
      blob = b as Blob;
      return 'blob:silence';
    });
    new Headset(
      () => undefined,
      () => undefined,
    ).hold('x');
    expect(played).toBeGreaterThan(0);
    expect(blob!.size).toBe(44 + 80_000);
  });

  it('does nothing where a browser has no media session', () => {
    vi.stubGlobal('navigator', {});
    const headset = new Headset(
      () => undefined,
      () => undefined,
    );
    headset.hold('x');
    headset.running(true);
    headset.release();
    expect(played).toBe(0);
  });
});

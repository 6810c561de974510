/** What the device lends: its voice and its screen. Where it has none, nothing happens and nothing is offered. */
import { act, render, screen } from '@testing-library/react';
import { hush, say, useVoice } from './useVoice';
import { useWakeLock } from './useWakeLock';

describe('a voice', () => {
  const spoken: { text: string; lang: string }[] = [];
  let voices: { lang: string; localService: boolean }[] = [];
  let changed: (() => void) | undefined;
  const cancel = jest.fn();
  beforeEach(() => {
    spoken.length = 0;
    voices = [];
    cancel.mockClear();
    Object.assign(window, {
      speechSynthesis: {
        cancel,
        speak: ({ text, lang }: { text: string; lang: string }) => spoken.push({ text, lang }),
        getVoices: () => voices,
        addEventListener: (_: string, listener: () => void) => (changed = listener),
        removeEventListener: () => (changed = undefined),
      },
      SpeechSynthesisUtterance: class {
        lang = '';
        constructor(readonly text: string) {}
      },
    });
    Object.assign(globalThis, {
      SpeechSynthesisUtterance: (window as unknown as { SpeechSynthesisUtterance: unknown }).SpeechSynthesisUtterance,
    });
  });
  afterEach(() => {
    delete (window as unknown as { speechSynthesis?: unknown }).speechSynthesis;
  });
  function Offered({ tag }: { tag: string }) {
    return <output>{useVoice(tag) ? 'has' : 'has not'}</output>;
  }
  const offered = () => screen.getByRole('status').textContent;

  it('says in place of what is being said, in its language', () => {
    say('Breathe in', 'es');
    expect(cancel).toHaveBeenCalledTimes(1);
    expect(spoken).toEqual([{ text: 'Breathe in', lang: 'es' }]);
    say('');
    expect(spoken).toHaveLength(1);
  });
  it('is offered when the device has one of its own for the language, however late it comes', () => {
    render(<Offered tag="es" />);
    expect(offered()).toBe('has not');
    // A voice that is sent over a network is none: the app speaks without one.
    voices = [
      { lang: 'es-ES', localService: false },
      { lang: 'en-GB', localService: true },
    ];
    act(() => changed?.());
    expect(offered()).toBe('has not');
    voices = [...voices, { lang: 'es-MX', localService: true }];
    act(() => changed?.());
    expect(offered()).toBe('has');
  });
  it('is silent when the screen is left', () => {
    render(<Offered tag="en" />).unmount();
    expect(cancel).toHaveBeenCalled();
    expect(changed).toBeUndefined();
  });
  it('where there is none, none is offered and nothing breaks', () => {
    delete (window as unknown as { speechSynthesis?: unknown }).speechSynthesis;
    render(<Offered tag="en" />);
    expect(offered()).toBe('has not');
    say('Hold still');
    hush();
    expect(spoken).toEqual([]);
  });
});

describe('the screen kept awake', () => {
  const release = jest.fn(async () => undefined);
  const request = jest.fn(async () => ({ release }));
  const settled = () => act(async () => undefined);
  function Harness({ on }: { on: boolean }) {
    useWakeLock(on);
    return null;
  }
  beforeEach(() => {
    release.mockClear();
    request.mockReset().mockImplementation(async () => ({ release }));
    Object.assign(navigator, { wakeLock: { request } });
  });
  afterEach(() => {
    delete (navigator as unknown as { wakeLock?: unknown }).wakeLock;
  });
  it('from when an exam is in hand until it is not', async () => {
    const view = render(<Harness on={false} />);
    await settled();
    expect(request).not.toHaveBeenCalled();
    view.rerender(<Harness on />);
    await settled();
    expect(request).toHaveBeenCalledTimes(1);
    view.rerender(<Harness on={false} />);
    await settled();
    expect(release).toHaveBeenCalledTimes(1);
  });
  it('again when the app comes back to the front', async () => {
    render(<Harness on />);
    await settled();
    document.dispatchEvent(new Event('visibilitychange'));
    await settled();
    expect(request).toHaveBeenCalledTimes(2);
  });
  it('not held on to when it is granted too late', async () => {
    let grant: (sentinel: { release: typeof release }) => void = () => undefined;
    request.mockImplementation(() => new Promise((resolve) => (grant = resolve)));
    render(<Harness on />).unmount();
    grant({ release });
    await settled();
    expect(release).toHaveBeenCalledTimes(1);
  });
  it('a device that refuses is left alone', async () => {
    request.mockRejectedValue(new Error('battery low'));
    render(<Harness on />).unmount();
    await settled();
    expect(release).not.toHaveBeenCalled();
  });
});

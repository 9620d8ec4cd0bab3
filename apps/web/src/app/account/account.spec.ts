import type { Account } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { AccountScreen } from './account';
import { deviceWords } from './device-words';

const FIREFOX = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0';
const IPHONE =
  'Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/19.0 Mobile/15E148 Safari/604.1';
const account: Account = {
  email: 'mara@harbourlane.example',
  secondFactor: false,
  recoveryCodesLeft: 0,
  standIn: null,
  nerveGlides: null,
  devices: [
    { id: 'd1', agent: FIREFOX, address: '203.0.113.9', signedInAt: '2026-03-01T08:00:00.000Z', current: true },
    { id: 'd2', agent: IPHONE, address: '203.0.113.10', signedInAt: '2026-03-02T08:00:00.000Z', current: false },
  ],
};

describe('AccountScreen', () => {
  async function open(over: Partial<Account> = {}): Promise<Screen<AccountScreen>> {
    const screen = await Screen.open(AccountScreen);
    await screen.answer('/account', { ...account, ...over });
    return screen;
  }

  it('lists devices as people call them, and signs one out', async () => {
    const screen = await open();
    expect(screen.text).toContain('Firefox on Linux · this one');
    expect(screen.text).toContain('Safari on iPhone since 2 Mar 2026 from 203.0.113.10');
    screen.el.querySelector<HTMLButtonElement>('button[aria-label^="Sign out Safari"]')!.click();
    await screen.settle();
    screen.request('DELETE', '/account/devices/d2').flush({});
    await screen.settle();
    await screen.answer('/account', { ...account, devices: account.devices.slice(0, 1) });
    expect(screen.text).not.toContain('Sign out all others');
    expect(deviceWords('curl/8')).toBe('Unknown browser');
  });

  it('turns nerve glides on by a licence and its date, and off again', async () => {
    const screen = await open();
    await screen.press('I am qualified');
    expect([...screen.el.querySelectorAll('y-nerve-glides .field-error')]).toHaveLength(2);
    const [licence, since] = [...screen.el.querySelectorAll<HTMLInputElement>('y-nerve-glides input')];
    licence!.value = ' Physiotherapist, 40-117 ';
    since!.value = '2019-06-01';
    await screen.press('I am qualified');
    const put = screen.request('PUT', '/account/nerve-glides');
    expect(put.request.body).toEqual({ licence: 'Physiotherapist, 40-117', since: '2019-06-01' });
    put.flush({});
    await screen.settle();
    await screen.answer('/account', { ...account, nerveGlides: put.request.body as Account['nerveGlides'] });
    expect(screen.el.querySelector('y-nerve-glides')!.textContent).toContain(
      'Physiotherapist, 40-117, since 1 Jun 2019',
    );
    await screen.press('Turn them off');
    screen.request('DELETE', '/account/nerve-glides').flush({});
  });

  it('shows who stands in now', async () => {
    const screen = await open({ standIn: { standInId: 'k2', until: '2026-03-20' } });
    const form = screen.el.querySelector('y-stand-in-form')!;
    expect(form.querySelector('select')!.selectedOptions[0]!.text).toBe('Joris Ebbing');
    expect(form.querySelector('input')!.value).toBe('2026-03-20');
  });

  it('shows beside the field what is wrong with a password', async () => {
    const screen = await open();
    const [current, next] = [...screen.el.querySelectorAll<HTMLInputElement>('y-password-form input')];
    current!.value = 'old words';
    current!.dispatchEvent(new Event('input'));
    next!.value = 'password1234';
    next!.dispatchEvent(new Event('input'));
    screen.el.querySelector('y-password-form form')!.dispatchEvent(new Event('submit'));
    await screen.settle();
    const put = screen.request('PUT', '/account/password');
    expect(put.request.body).toEqual({ current: 'old words', password: 'password1234' });
    const errors = [{ path: 'password', message: 'This is one of the passwords that are tried first.' }];
    put.flush({ code: 'validation', title: 'x', detail: 'Fix', errors }, { status: 400, statusText: 'Bad' });
    await screen.settle();
    expect(screen.el.querySelector('y-password-form .field-error')!.textContent).toContain('tried first');
  });

  it('sets a second factor up: picture, code, recovery codes shown once', async () => {
    const screen = await open();
    await screen.press('Set up');
    screen
      .request('POST', '/account/second-factor')
      .flush({ secret: 'JBSWY3DPEHPK3PXP', uri: 'otpauth://totp/Yandle:x?secret=JBSWY3DPEHPK3PXP' });
    await screen.settle();
    expect(screen.text).toContain('JBSWY3DPEHPK3PXP');
    await screen.fill('y-second-factor input', '123456');
    await screen.press('Turn it on');
    const post = screen.request('POST', '/account/second-factor/confirm');
    expect(post.request.body).toEqual({ code: '123456' });
    post.flush({ codes: ['abcde-fghij', 'kmnpq-rstuv'] });
    await screen.settle();
    await screen.answer('/account', { ...account, secondFactor: true, recoveryCodesLeft: 2 });
    expect(screen.text).toContain('abcde-fghij');
    await screen.press('I have kept them');
    expect(screen.text).not.toContain('abcde-fghij');
    expect(screen.text).toContain('Recovery codes left: 2');
    expect(screen.button('Turn it off')).toBeTruthy();
  });
});

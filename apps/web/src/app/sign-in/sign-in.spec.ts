import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { textOf } from '../testing/screen';
import { SignIn } from './sign-in';

describe('SignIn', () => {
  it('asks for a code only once the server has said so, and shows a wrong one as wrong', async () => {
    TestBed.configureTestingModule({
      imports: [SignIn],
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    const fixture = TestBed.createComponent(SignIn);
    const http = TestBed.inject(HttpTestingController);
    const el = fixture.nativeElement as HTMLElement;
    const settle = async () => {
      await new Promise((r) => setTimeout(r));
      await fixture.whenStable();
    };
    const fill = (selector: string, value: string) => {
      const field = el.querySelector<HTMLInputElement>(selector)!;
      field.value = value;
      field.dispatchEvent(new Event('input'));
    };
    const submit = async () => {
      el.querySelector('form')!.dispatchEvent(new Event('submit'));
      await settle();
      return http.expectOne('/api/v1/sign-in');
    };
    const asks = {
      code: 'second-factor',
      title: 'A code is needed',
      detail: 'Enter the code of your authenticator app.',
    };
    fixture.detectChanges();
    await settle();
    fill('input[type=email]', 'mara@studio.example');
    fill('input[type=password]', 'four plain words');
    const first = await submit();
    expect(first.request.body).toEqual({ email: 'mara@studio.example', password: 'four plain words' });
    first.flush(asks, { status: 401, statusText: 'x' });
    await settle();
    // The field itself asks: nothing has gone wrong yet.
    expect(textOf(el)).toContain('Code of your authenticator app, or a recovery code');
    expect(el.querySelector('[role=alert]')).toBeNull();
    fill('input[formControlName=code]', '123456');
    const second = await submit();
    expect(second.request.body).toMatchObject({ code: '123456' });
    second.flush({ ...asks, detail: 'This code is wrong or has been used.' }, { status: 401, statusText: 'x' });
    await settle();
    expect(el.querySelector('[role=alert]')!.textContent).toContain('This code is wrong');
  });
});

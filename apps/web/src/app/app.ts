import { Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { ThemeService } from './data/theme.service';
import { FocusKeeper } from './ui/focus-keeper';
import { ToastOutlet } from './ui/toast-outlet';

/** The whole application: one screen at a time, and the short messages above it. */
@Component({
  selector: 'y-root',
  imports: [RouterOutlet, ToastOutlet],
  template: `<router-outlet /><y-toast-outlet />`,
})
export class App {
  constructor() {
    // Every page has its theme, those without the frame too: sign-in, a running session, the client’s pages.
    inject(ThemeService);
    inject(FocusKeeper).start();
  }
}

import { Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { ToastOutlet } from './ui/toast-outlet';

/** The whole application: one screen at a time, and the short messages above it. */
@Component({
  selector: 'y-root',
  imports: [RouterOutlet, ToastOutlet],
  template: `<router-outlet /><y-toast-outlet />`,
})
export class App {}

import { DOCUMENT, inject, Injectable, type OnDestroy } from '@angular/core';

const FOCUSABLE =
  'a[href], button:not([disabled]), input:not([disabled]), select:not([disabled]), textarea:not([disabled]), summary, [tabindex]:not([tabindex="-1"])';
/** Where the focus goes itself, rather than to the next control in it: what stands there must not be pressed by mistake. */
const REST = '[data-focus-rest]';

/** Where an element stood: its ancestors from the inside out, each with the place of the branch in it. */
type Path = readonly { readonly of: Element; readonly place: number }[];

function pathOf(element: Element): Path {
  const path: { of: Element; place: number }[] = [];
  for (let child = element; child.parentElement; child = child.parentElement)
    path.push({ of: child.parentElement, place: [...child.parentElement.children].indexOf(child) });
  return path;
}

const shown = (e: HTMLElement): boolean => !e.hidden && e.closest('[hidden], [inert]') === null;
const controlsIn = (e: Element): HTMLElement[] => [
  ...(e.matches(FOCUSABLE) ? [e as HTMLElement] : []),
  ...e.querySelectorAll<HTMLElement>(FOCUSABLE),
];

/** The next control after a place in a container, or the last before it; null for a container without one. */
function nearest(container: Element, place: number): HTMLElement | null {
  const children = [...container.children];
  const after = children.slice(place).flatMap(controlsIn).find(shown);
  return after ?? children.slice(0, place).flatMap(controlsIn).filter(shown).at(-1) ?? null;
}

/**
 * Keeps the focus where the work is: when what has it goes away, the next control in the same place takes it, at worst the page's heading; when
 * it is only switched off for a moment, it has it again afterwards. Whoever clicks beside everything lets go of it.
 */
@Injectable({ providedIn: 'root' })
export class FocusKeeper implements OnDestroy {
  private readonly document = inject(DOCUMENT);
  private last: HTMLElement | null = null;
  private path: Path = [];
  private readonly changes = new MutationObserver(() => this.changed());

  start(): void {
    this.document.addEventListener('focusin', this.focused);
    this.document.addEventListener('focusout', this.left);
    this.changes.observe(this.document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    });
  }

  ngOnDestroy(): void {
    this.document.removeEventListener('focusin', this.focused);
    this.document.removeEventListener('focusout', this.left);
    this.changes.disconnect();
  }

  private readonly focused = (event: Event): void => {
    this.last = event.target as HTMLElement;
    this.path = pathOf(this.last);
  };

  /** Left by hand: it is still there and could be used. What is removed or switched off is not left by hand. */
  private readonly left = (event: FocusEvent): void => {
    const el = event.target as HTMLElement;
    if (event.relatedTarget === null)
      queueMicrotask(() => {
        if (el === this.last && el.isConnected && !el.matches(':disabled')) this.last = null;
      });
  };

  private changed(): void {
    const { activeElement, body } = this.document;
    if (this.last === null || (activeElement !== null && activeElement !== body && activeElement !== this.last)) return;
    if (this.last.isConnected) {
      if (activeElement !== this.last && !this.last.matches(':disabled')) this.last.focus({ preventScroll: true });
      return;
    }
    this.next()?.focus({ preventScroll: true });
  }

  private next(): HTMLElement | null {
    for (const { of, place } of this.path) {
      if (!of.isConnected) continue;
      const rest = of.closest<HTMLElement>(REST);
      if (rest) return this.resting(rest);
      if (of === this.document.body || of.id === 'main') break;
      const found = nearest(of, place);
      if (found) return found;
    }
    const heading = this.document.querySelector<HTMLElement>('main h1, h1');
    return heading && this.resting(heading);
  }

  private resting(element: HTMLElement): HTMLElement {
    if (!element.hasAttribute('tabindex')) element.tabIndex = -1;
    element.style.outline = 'none';
    return element;
  }
}

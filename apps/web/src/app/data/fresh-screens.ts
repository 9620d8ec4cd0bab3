import { Injectable } from '@angular/core';
import { BaseRouteReuseStrategy, type ActivatedRouteSnapshot } from '@angular/router';

/**
 * A screen is made anew when the client or session in its address changes: nothing of one client can stand under the name of
 * another, and no reading can go to the wrong one.
 */
@Injectable()
export class FreshScreens extends BaseRouteReuseStrategy {
  override shouldReuseRoute(future: ActivatedRouteSnapshot, current: ActivatedRouteSnapshot): boolean {
    return super.shouldReuseRoute(future, current) && JSON.stringify(future.params) === JSON.stringify(current.params);
  }
}

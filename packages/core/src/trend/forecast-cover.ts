/** How often the 90 % forecasts of straight courses held the day, by dates and by the clearness of the slope. Written by `npm run calibrate`. */
export const FORECAST_COVER: readonly {
  /** Fewest and most dates of the row. */
  readonly dates: readonly [number, number];
  /** Slope in standard errors, from and below; share of forecasts with two ends that held. */
  readonly cover: readonly { readonly from: number; readonly to: number | null; readonly held: number }[];
}[] = [];

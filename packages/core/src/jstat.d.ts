declare module 'jstat' {
  interface Distribution<A extends number[]> {
    cdf(x: number, ...parameters: A): number;
    inv(p: number, ...parameters: A): number;
  }
  const jstat: {
    normal: Distribution<[mean: number, sd: number]>;
    centralF: Distribution<[df1: number, df2: number]>;
    chisquare: Distribution<[df: number]>;
    studentt: Distribution<[df: number]>;
  };
  export default jstat;
}

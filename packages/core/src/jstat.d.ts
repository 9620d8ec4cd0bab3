declare module 'jstat' {
  const jstat: { normal: { cdf(x: number, mean: number, sd: number): number } };
  export default jstat;
}

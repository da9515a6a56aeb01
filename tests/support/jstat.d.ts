declare module "jstat" {
  const jstat: {
    binomial: { cdf(k: number, n: number, p: number): number };
    studentt: { inv(p: number, df: number): number };
    beta: { pdf(x: number, a: number, b: number): number };
  };
  export default jstat;
}

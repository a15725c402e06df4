declare module 'jstat' {
  const library: {
    readonly jStat: {
      readonly normal: {
        cdf(x: number, mean: number, sd: number): number;
        inv(probability: number, mean: number, sd: number): number;
      };
    };
  };
  export default library;
}

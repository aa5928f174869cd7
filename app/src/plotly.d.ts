/** What the app uses of the charting library. */
declare module 'plotly.js-cartesian-dist-min' {
  const plotly: {
    readonly newPlot: (
      host: HTMLElement,
      data: readonly object[],
      layout: object,
      config: object,
    ) => Promise<unknown>;
  };
  export default plotly;
}

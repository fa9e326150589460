/** What the build is doing while it is looked at. */

export interface BenchState {
  /** Outputs that are high: "part.signal", the controller's by the terminal of its pin. */
  readonly high: ReadonlySet<string>;
  /** Open-drain ends that pull their line low. */
  readonly pulling: ReadonlySet<string>;
  /** Contacts that are closed. */
  readonly closed: ReadonlySet<string>;
  /** The channel of a bus switch that is on. */
  readonly channel: { readonly part: string; readonly channel: number } | null;
}

/** Nothing talks: lines are released, outputs are where they rest. */
export const AT_REST: BenchState = { high: new Set(), pulling: new Set(), closed: new Set(), channel: null };

export const withHigh = (state: BenchState, ...keys: string[]): BenchState => ({
  ...state,
  high: new Set([...state.high, ...keys]),
});
export const withPull = (state: BenchState, ...keys: string[]): BenchState => ({
  ...state,
  pulling: new Set([...state.pulling, ...keys]),
});
export const withClosed = (state: BenchState, ...keys: string[]): BenchState => ({
  ...state,
  closed: new Set([...state.closed, ...keys]),
});

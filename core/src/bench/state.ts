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
  /** Pins of the controller that only listen, by their keys, with the pull of their own that is on. */
  readonly listening: ReadonlyMap<string, OwnPull>;
}

/** The pull that a pin of the controller has inside. */
export type OwnPull = 'up' | 'down' | 'none';

/** Nothing talks: lines are released, outputs are where they rest. */
export const AT_REST: BenchState = {
  high: new Set(),
  pulling: new Set(),
  closed: new Set(),
  channel: null,
  listening: new Map(),
};

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
export const withListening = (state: BenchState, pins: Iterable<readonly [string, OwnPull]>): BenchState => ({
  ...state,
  listening: new Map([...state.listening, ...pins]),
});

/** The same text for the same state. */
export const stateKey = ({ high, pulling, closed, channel, listening }: BenchState): string =>
  [
    [...high].sort().join(),
    [...pulling].sort().join(),
    [...closed].sort().join(),
    channel ? `${channel.part} ${channel.channel}` : '',
    [...listening]
      .map(([key, pull]) => `${key} ${pull}`)
      .sort()
      .join(),
  ].join('|');

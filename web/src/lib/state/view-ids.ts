/** The stations, in the order of the work, with the key that goes to each. */
import type { StationId } from '@idle-breadboard/core/verify';

/** A station of the checks, or the picture of all. */
export type ViewId = StationId | 'overview';

export interface Station {
  readonly id: ViewId;
  readonly key: string;
  readonly name: string;
}

export const STATIONS: readonly Station[] = [
  { id: 'overview', key: 'o', name: 'Overview' },
  { id: 'need', key: '1', name: 'Need' },
  { id: 'compare', key: '2', name: 'Compare' },
  { id: 'control', key: '3', name: 'Control' },
  { id: 'levels', key: '4', name: 'Levels' },
  { id: 'bus', key: '5', name: 'Bus' },
  { id: 'pins', key: '6', name: 'Pins' },
  { id: 'power', key: '7', name: 'Power' },
  { id: 'wiring', key: '8', name: 'Wiring' },
  { id: 'parts', key: '9', name: 'Parts' },
  { id: 'bring-up', key: '0', name: 'Bring-up' },
];

export const stationName = (id: ViewId): string => STATIONS.find((station) => station.id === id)?.name ?? '';

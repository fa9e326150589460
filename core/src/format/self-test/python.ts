/** The same self-test as a Python 3 module, with a layer for the character devices of Linux. */
import type { Circuit } from '../../circuit/model.ts';
import { type Job, jobOf, registerBytes } from '../../selftest/job.ts';
import { FORM, PREFIX } from '../../selftest/line.ts';
import { ENGINE } from './python-engine.ts';
import { LINUX } from './python-linux.ts';
import { headline, pinNumber } from '../settings/names.ts';

const tuple = (...values: readonly (string | number | null)[]): string =>
  `(${values.map((value) => (value === null ? 'None' : value)).join(', ')}${values.length === 1 ? ',' : ''})`;
const list = (name: string, entries: readonly (string | number)[]): string =>
  entries.length === 0 ? `${name} = []` : `${name} = [\n${entries.map((entry) => `    ${entry},`).join('\n')}\n]`;

function tables(job: Job, plan: string): string {
  const flags = ({ rests, pulled, openDrain }: Job['pins'][number]): string =>
    [rests?.toUpperCase() ?? '', pulled ? 'PULLED' : '', pulled && openDrain ? 'HELD' : '']
      .filter(Boolean)
      .join(' | ') || '0';
  return [
    `PREFIX = "${PREFIX}"`,
    `PLAN = "${plan}"`,
    `FORM = ${FORM}`,
    'LOW, HIGH, PULLED, HELD = 1, 2, 4, 8',
    list(
      'PINS',
      job.pins.map((pin) => tuple(pinNumber(pin.label) ?? JSON.stringify(pin.label), flags(pin))),
    ),
    list(
      'BUSES',
      job.buses.map(({ unit, behind }) => tuple(unit, behind?.address ?? null, behind?.byte ?? 0)),
    ),
    list(
      'WORDS',
      job.words.map(({ bus, address, register, bits }) =>
        tuple(bus, address, register, registerBytes(register), bits / 8),
      ),
    ),
    list(
      'WIRES',
      job.wires.map(({ pin, thermometers }) => tuple(pin, thermometers ? 'True' : 'False')),
    ),
    list(
      'VOLTS',
      job.volts.map(({ pin }) => pin),
    ),
    list(
      'PULSES',
      job.pulses.map(({ pin }) => pin),
    ),
    list(
      'CLOCKS',
      job.clocks.map(({ data, clock }) => tuple(data, clock)),
    ),
  ].join('\n');
}

/** @param fingerprint of the plan: its lines are checked with it */
export const selfTestPython = (circuit: Circuit, fingerprint: string): string =>
  `# ${headline(circuit, fingerprint)}\n\n${tables(jobOf(circuit), fingerprint)}\n\n${ENGINE.trimStart()}${LINUX}`;

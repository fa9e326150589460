/** A self-test of a plan as one file of ISO C99 over a few functions that the maker's platform fills in. */
import type { Circuit } from '../../circuit/model.ts';
import { type Job, jobOf, registerBytes } from '../../selftest/job.ts';
import { FORM, PREFIX } from '../../selftest/line.ts';
import { HARDWARE } from './c-hardware.ts';
import { LINES } from './c-lines.ts';
import { PARTS } from './c-parts.ts';
import { RUN } from './c-run.ts';
import { cValue } from '../settings/c.ts';
import { headline, safe } from '../settings/names.ts';

/** Flags of a pin, as the program has them. */
const FLAG = { low: 1, high: 2, pulled: 4, held: 8 } as const;

/** An array of C, which may not be empty: one entry that nobody asks for stands in for none. */
const array = (type: string, name: string, entries: readonly string[], none: string): string =>
  `static const ${type} ${name}[] = {\n${(entries.length > 0 ? entries : [none]).map((entry) => `    ${entry},`).join('\n')}\n};`;

function tables(job: Job, plan: string): string {
  const flags = ({ rests, pulled, openDrain }: Job['pins'][number]) =>
    (rests === null ? 0 : FLAG[rests]) | (pulled ? FLAG.pulled : 0) | (pulled && openDrain ? FLAG.held : 0);
  const counts = {
    ST_PINS: job.pins,
    ST_BUSES: job.buses,
    ST_WORDS: job.words,
    ST_WIRES: job.wires,
    ST_VOLTS: job.volts,
    ST_PULSES: job.pulses,
    ST_CLOCKS: job.clocks,
  };
  return [
    `#define ST_PREFIX "${PREFIX}"`,
    `#define ST_PLAN "${plan}"`,
    `#define ST_FORM ${FORM}`,
    ...Object.entries(FLAG).map(([name, bit]) => `#define ST_${name.toUpperCase()} ${bit}`),
    ...Object.entries(counts).map(([name, list]) => `#define ${name} ${list.length}`),
    '',
    'typedef struct { int pin; int flags; } st_pin_t;',
    'typedef struct { int unit; int through; int byte; } st_bus_t;',
    'typedef struct { int bus; int address; unsigned index; int wide; int bits; } st_word_t;',
    'typedef struct { int pin; int thermometers; } st_wire_t;',
    'typedef struct { int data; int clock; } st_clock_t;',
    '',
    array(
      'st_pin_t',
      'st_pin',
      job.pins.map((pin) => `{ ${cValue(pin.label)}, ${flags(pin)} }`),
      '{ 0, 0 }',
    ),
    array(
      'st_bus_t',
      'st_bus',
      job.buses.map(
        ({ unit, behind, name }) => `{ ${unit}, ${behind?.address ?? -1}, ${behind?.byte ?? 0} } /* ${safe(name)} */`,
      ),
      '{ 0, -1, 0 }',
    ),
    array(
      'st_word_t',
      'st_word',
      job.words.map(
        ({ bus, address, register, bits }) =>
          `{ ${bus}, ${address}, ${register}u, ${registerBytes(register) - 1}, ${bits} }`,
      ),
      '{ 0, 0, 0u, 0, 8 }',
    ),
    array(
      'st_wire_t',
      'st_wire',
      job.wires.map(({ pin, thermometers }) => `{ ${pin}, ${Number(thermometers)} }`),
      '{ 0, 0 }',
    ),
    array(
      'int',
      'st_volt',
      job.volts.map(({ pin }) => String(pin)),
      '0',
    ),
    array(
      'int',
      'st_pulse',
      job.pulses.map(({ pin }) => String(pin)),
      '0',
    ),
    array(
      'st_clock_t',
      'st_clock',
      job.clocks.map(({ data, clock }) => `{ ${data}, ${clock} }`),
      '{ 0, 0 }',
    ),
  ].join('\n');
}

/** @param fingerprint of the plan: its lines are checked with it */
export const selfTestC = (circuit: Circuit, fingerprint: string): string =>
  `/* ${headline(circuit, fingerprint)} */\n${HARDWARE}\n${tables(jobOf(circuit), fingerprint)}\n${LINES}${PARTS}${RUN}`;

import { carrierOf, isFitted, printedNames } from '../circuit/carrier.ts';
import type { Circuit, PinWish } from '../circuit/circuit.ts';
import { functionsOf, groupInstances, instancesFor, isCrossed, pinByTerminal } from '../circuit/pin-function.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/capability',
  title: 'The pin can do what the signal asks',
  station: 'pins',
  rule: 'Every line has a pin, the pin has the function that the line asks for, the lines of one bus are on one instance of the peripheral, and a carrier that sits on the controller leads the pin out.',
  source: 'the controller’s card',
  breaks: 'fault',
};

export const ASK_NAME: Readonly<Record<PinWish['ask'], string>> = {
  in: 'an input',
  out: 'an output',
  inout: 'an open-drain pin',
  adc: 'an analog input',
  pwm: 'a PWM output',
  irq: 'an interrupt input',
  'i2c.sda': 'I²C data',
  'i2c.scl': 'I²C clock',
  'spi.clk': 'an SPI clock',
  'spi.in': 'an SPI input',
  'spi.out': 'an SPI output',
  'uart.tx': 'a UART transmitter',
  'uart.rx': 'a UART receiver',
};

function judge(circuit: Circuit, wish: PinWish): Result[] {
  const card = circuit.controller?.card;
  const asks = ASK_NAME[wish.ask];
  const base = { subjects: [wish.id], limit: 1, unit: 'functions' };
  const broken = (message: string, workings: Result['workings'] = []) => [
    result(circuit, meta, {
      ...base,
      severity: 'fault',
      measured: 0,
      margin: -1,
      message,
      workings,
      meaning: 'The signal has nowhere to go: the software finds nothing there.',
    }),
  ];
  if (!card || !circuit.controller) return broken(`${wish.label} needs ${asks}, and the plan has no controller.`);
  if (!wish.pin) return broken(`${wish.label} needs ${asks} and has no pin yet.`);
  const pin = pinByTerminal(card, wish.pin);
  const label = card.terminals.find(({ id }) => id === wish.pin)?.label ?? wish.pin;
  const can = pin ? functionsOf(card, pin) : [];
  const instances = instancesFor(can, wish.ask);
  const fitting = can.filter((f) => f === wish.ask || f.replace(/\d+(?=\.)/, '') === wish.ask);
  const workings = [
    { name: 'asked', sum: wish.ask },
    { name: `${label} can`, sum: (instances.length > 0 && fitting.length > 0 ? fitting : can).join(', ') || 'nothing' },
  ];
  // Said by bus/crossed, with what it is.
  if (isCrossed(circuit, wish)) return [];
  if (instances.length === 0) return broken(`${wish.label} needs ${asks}; ${label} cannot be one.`, workings);
  const printed = printedNames(circuit);
  if (printed && printed.get(wish.pin)?.free !== true && !isFitted(circuit, wish.of.split('.')[0] ?? '')) {
    return broken(`${wish.label} is on ${label}, which the carrier covers and does not lead out.`, workings);
  }
  if (wish.group && groupInstances(circuit, wish.group).length === 0) {
    return broken(
      `${wish.label} is on ${label} (instance ${instances.join(' or ')}), its partner line on another instance. Both must be on one.`,
      workings,
    );
  }
  if (wish.weakPull && pin?.noPull) {
    return broken(
      `${wish.label} relies on the pull of ${label}, which has none; a resistor or another pin is needed.`,
      [{ name: label, sum: 'no pull of its own' }],
    );
  }
  return [
    result(circuit, meta, {
      ...base,
      severity: null,
      measured: 1,
      margin: 0,
      message: `${label} can be ${asks} for ${wish.label}.`,
      workings,
      rests: [[card.id, Object.keys(card.sources)[0]]],
    }),
  ];
}

/** A carrier that has no place for the controller. */
function carrier(circuit: Circuit): Result[] {
  const on = carrierOf(circuit);
  if (!on || !circuit.controller || printedNames(circuit)) return [];
  const label = circuit.parts.get(on.part)?.label ?? on.card.name;
  return [
    result(circuit, meta, {
      subjects: [on.part],
      severity: 'fault',
      measured: 0,
      limit: 1,
      unit: 'functions',
      margin: -1,
      message: `${label} has no place for ${circuit.controller.card.name}; what is fitted on it is joined to nothing.`,
      meaning: 'A carrier is made for the pins of certain boards. On another one its names mean nothing.',
    }),
  ];
}

export const pinCapability: Check = {
  meta,
  run: (circuit) => [...carrier(circuit), ...circuit.wishes.flatMap((wish) => judge(circuit, wish))],
};

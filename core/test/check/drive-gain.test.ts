import { expect } from 'chai';
import { library } from '../support/demo.ts';
import { pinned } from '../support/boards.ts';
import { CMOS, controller, judge, part, revised, V3, V5 } from '../support/build.ts';

const shipped = [...library.values()].find(({ driver }) => driver?.bipolar);

/** A bare transistor of that gain, on a pin. */
function gain(bounds: { min?: number; typ?: number }) {
  const { driver } = shipped ?? {};
  if (!shipped || !driver?.bipolar) throw new Error('no bare transistor ships');
  const own = { ...bounds, unit: '1', source: driver.bipolar.gain.source };
  const made = revised(shipped, { driver: { ...driver, bipolar: { ...driver.bipolar, gain: own } } });
  const [port] = made.ports;
  const [line = ''] = Object.keys(port?.lines ?? {});
  return judge({
    cards: [V3, V5, controller(CMOS), made],
    parts: [part('q', made.id, { ports: { [port?.id ?? '']: pinned(line).port ?? {} } })],
  }).of('drive/gain');
}

describe('drive/gain', () => {
  it('asks for more than the ten times that a base is worked out for', () => {
    expect(gain({ min: 100 })[0]).to.include({ severity: null, measured: 100, limit: 10, margin: 90 });
    expect(gain({ min: 8 })[0]).to.include({ severity: 'caution', measured: 8, margin: -2 });
  });
  // At ten the whole base current is needed to carry the load, and none is left to saturate it.
  it('is broken at exactly that', () => expect(gain({ min: 10 })[0]?.severity).to.equal('caution'));
  it('takes what is usual where no least is said', () => expect(gain({ typ: 200 })[0]?.measured).to.equal(200));
  it('names the figure that it rests on', () => expect(gain({ min: 100 })[0]?.rests).to.have.length(1));
});

import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { I2cDecoder } from '../../src/capture/i2c-decoder.ts';
import { I2cWave } from '../support/i2c-wave.ts';

const decode = (wave: I2cWave) => {
  const decoder = new I2cDecoder();
  for (const { time, sda, scl } of wave.changes) decoder.push(time, sda, scl);
  return decoder.end();
};

describe('the I²C decoder', () => {
  it('reads an address, its direction and its acknowledge, and the bytes that follow', () => {
    const { messages, faults } = decode(new I2cWave().start().address(0x44, false).byte(0xe3, true).stop());
    expect(faults).to.deep.equal([]);
    expect(messages).to.have.length(1);
    expect(messages[0]).to.deep.include({ address: 0x44, read: false, acknowledged: true, end: 'stop', loose: 0 });
    expect(messages[0]?.bytes).to.deep.equal([{ value: 0xe3, acknowledged: true }]);
  });

  it('tells an address that nobody answers', () => {
    const [message] = decode(new I2cWave().start().address(0x45, false, false).stop()).messages;
    expect(message).to.deep.include({ address: 0x45, acknowledged: false });
  });

  it('takes a repeated start as the end of one message and the beginning of the next', () => {
    const wave = new I2cWave().start().address(0x44, false).byte(0xf3, true).start().address(0x44, true);
    wave.byte(0x66, true).byte(0x4c, false).stop();
    const { messages } = decode(wave);
    expect(messages.map(({ read, end }) => [read, end])).to.deep.equal([
      [false, 'restart'],
      [true, 'stop'],
    ]);
    expect(messages[1]?.bytes.map(({ value }) => value)).to.deep.equal([0x66, 0x4c]);
    expect(messages[1]?.bytes.map(({ acknowledged }) => acknowledged)).to.deep.equal([true, false]);
  });

  it('sees the clock held low: 30 µs beside lows of 5 µs', () => {
    const reading = decode(new I2cWave().start().address(0x6a, true).byte(0x12, true, 30e-6).byte(0x34, false).stop());
    expect(reading.stretches).to.equal(1);
    expect(reading.longestLow).to.be.closeTo(35e-6, 1e-9);
    expect(decode(new I2cWave().start().address(0x6a, true).byte(0x12, false).stop()).stretches).to.equal(0);
  });

  it('measures the clock within bytes: 2.5 µs are 400 kHz', () => {
    const { period } = decode(new I2cWave(2.5e-6).start().address(0x26, false).byte(0, true).stop());
    expect(period?.middle).to.be.closeTo(2.5e-6, 1e-12);
    expect(1 / (period?.least ?? 0)).to.be.closeTo(400e3, 1);
  });

  it('says that a byte was broken off, by a stop and by the end of the capture', () => {
    const broken = new I2cWave().start().address(0x26, false);
    for (const bit of [true, false, true]) broken.bit(bit);
    const { messages, faults } = decode(broken.stop());
    expect(messages[0]?.loose).to.equal(3);
    expect(say(faults[0]?.says)).to.include('3 of nine bits');
    expect(decode(new I2cWave().start().bit(true).bit(false)).messages[0]).to.deep.include({
      end: 'cut',
      address: null,
    });
  });

  it('ignores what happens before the first start, and stops without one', () => {
    expect(decode(new I2cWave().stop()).messages).to.deep.equal([]);
  });

  it('refuses changes that go back in time', () => {
    const decoder = new I2cDecoder();
    decoder.push(2, true, true);
    expect(() => decoder.push(1, false, true)).to.throw(RangeError, /after 2 s/);
  });

  it('reads back whatever was written', () => {
    const message = fc.record({
      address: fc.integer({ min: 0, max: 127 }),
      read: fc.boolean(),
      bytes: fc.array(fc.record({ value: fc.integer({ min: 0, max: 255 }), acknowledged: fc.boolean() }), {
        maxLength: 6,
      }),
      again: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(message, { minLength: 1, maxLength: 8 }), (messages) => {
        const wave = new I2cWave();
        for (const [i, { address, read, bytes, again }] of messages.entries()) {
          wave.start().address(address, read);
          for (const { value, acknowledged } of bytes) wave.byte(value, acknowledged);
          if (!again || i === messages.length - 1) wave.stop().idle(1e-4);
        }
        const read = decode(wave);
        expect(read.faults).to.deep.equal([]);
        expect(read.messages.map(({ address, read: r, bytes }) => ({ address, read: r, bytes }))).to.deep.equal(
          messages.map(({ address, read: r, bytes }) => ({ address, read: r, bytes })),
        );
      }),
      { numRuns: 200 },
    );
  });
});

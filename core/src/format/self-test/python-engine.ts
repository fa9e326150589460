/** The self-test in Python, over a layer that the maker's platform fills in. */
import { DRIVEN } from '../../selftest/question.ts';

export const ENGINE = String.raw`
import sys
import time
import zlib


class Layer:
    """What your platform does. Buses are counted from 0, pins are the values of the table above."""

    def bus_write(self, bus, address, data):
        """Writes to a seven-bit address, with nothing to write only the address. True when it was acknowledged."""
        raise NotImplementedError

    def bus_read(self, bus, address, count):
        """Reads bytes; None when the address was not acknowledged."""
        raise NotImplementedError

    def pin_set(self, pin, level):
        """Drives a pin low (0) or high (1), or lets it go and only listens (None)."""
        raise NotImplementedError

    def pin_get(self, pin):
        """0 or 1."""
        raise NotImplementedError

    def pin_pull(self, pin, pull):
        """Switches the pull inside the pin: down (-1), off (0), up (1). False where the pin has no such pull."""
        raise NotImplementedError

    def convert(self, pin):
        """Millivolts that the converter reads at a pin; None where it cannot."""
        return None

    def wire_reset(self, pin):
        """Resets a one-wire line. True when something answered."""
        raise NotImplementedError

    def wire_bit(self, pin, bit):
        """Writes one bit, a 1 to read one; what was on the line."""
        raise NotImplementedError

    def wire_numbers(self, pin):
        """Numbers of eight bytes that the system has found on a one-wire line; None where it is searched bit by bit."""
        return None

    def delay(self, seconds):
        time.sleep(seconds)

    def print(self, text):
        print(text, flush=True)

    def read(self):
        """The next line that came in; empty when there comes no more."""
        return sys.stdin.readline()


class SelfTest:
    def __init__(self, layer):
        self.layer = layer
        self.seq = 0
        self.run = 0
        self.seen = []

    # lines

    def line(self, *fields):
        text = " ".join(str(field) for field in (self.seq, *fields))
        check = zlib.crc32((PLAN + " " + text).encode("ascii"))
        self.layer.print("%s %s %08x" % (PREFIX, text, check))
        return text

    def tell(self, *fields):
        self.run = zlib.crc32((self.line(*fields) + "\n").encode("ascii"), self.run)
        self.seq += 1

    # pins

    def rest(self):
        for pin, flags in PINS:
            self.layer.pin_set(pin, 1 if flags & HIGH else 0 if flags & LOW else None)
            if not flags & (HIGH | LOW):
                self.layer.pin_pull(pin, 0)

    def pull(self, pull):
        """Outputs that may move something are never let go: only the others are pulled."""
        self.seen = [pin for pin, flags in PINS if flags & PULLED and self.layer.pin_pull(pin, pull) is not False]
        self.layer.delay(0.002)

    def levels(self):
        text = ""
        for pin, _ in PINS:
            text += "-" if pin not in self.seen else "1" if self.layer.pin_get(pin) else "0"
        return [text] if text else []

    def level(self, pull):
        self.pull(pull)
        self.tell("level", "up" if pull > 0 else "down", *self.levels())

    def hold(self, n):
        self.pull(1)
        self.layer.pin_set(PINS[n][0], 0)
        self.layer.delay(0.002)
        levels = self.levels()
        self.layer.pin_set(PINS[n][0], None)
        self.tell("hold", n, *levels)

    # buses

    def choose(self, bus, on):
        unit, through, byte = bus
        if through is not None:
            self.layer.bus_write(unit, through, bytes([byte if on else 0]))

    def scan(self, n):
        bus = BUSES[n]
        self.choose(bus, True)
        found = ["%02x" % a for a in range(0x08, 0x78) if self.layer.bus_write(bus[0], a, b"")]
        self.choose(bus, False)
        self.tell("scan", n, *found)

    def word(self, n):
        at, address, register, size, count = WORDS[n]
        bus = BUSES[at]
        self.choose(bus, True)
        data = None
        if self.layer.bus_write(bus[0], address, register.to_bytes(size, "big")):
            data = self.layer.bus_read(bus[0], address, count)
        self.choose(bus, False)
        self.tell("word", n, "none" if data is None else bytes(data).hex())

    # one wire

    def wire_byte(self, pin, byte):
        for i in range(8):
            self.layer.wire_bit(pin, (byte >> i) & 1)

    def pad(self, n, rom):
        pin = PINS[WIRES[n][0]][0]
        self.layer.wire_reset(pin)
        self.wire_byte(pin, 0xCC)
        self.wire_byte(pin, 0x44)
        self.layer.delay(0.8)
        self.layer.wire_reset(pin)
        for byte in (0x55, *rom, 0xBE):
            self.wire_byte(pin, byte)
        data = [sum((self.layer.wire_bit(pin, 1) & 1) << i for i in range(8)) for _ in range(9)]
        self.tell("pad", n, bytes(rom).hex(), bytes(data).hex())

    def searched(self, pin):
        """Numbers of all parts on a line, one after the other, by taking the other way at the last place where two differed."""
        rom = [0] * 64
        last = -1
        # A line that is stuck shows the same number for ever.
        for _ in range(64):
            if not self.layer.wire_reset(pin):
                return
            self.wire_byte(pin, 0xF0)
            split = -1
            for bit in range(64):
                one = self.layer.wire_bit(pin, 1)
                zero = self.layer.wire_bit(pin, 1)
                if one and zero:
                    return
                way = one if one != zero else rom[bit] if bit < last else int(bit == last)
                if one == zero and not way:
                    split = bit
                rom[bit] = way
                self.layer.wire_bit(pin, way)
            yield [sum(rom[8 * i + k] << k for k in range(8)) for i in range(8)]
            last = split
            if last < 0:
                return

    def search(self, n):
        at, thermometers = WIRES[n]
        pin = PINS[at][0]
        known = self.layer.wire_numbers(pin)
        count = 0
        for rom in self.searched(pin) if known is None else known:
            self.tell("rom", n, bytes(rom).hex())
            count += 1
            if thermometers and known is None:
                self.pad(n, rom)
        self.tell("wire", n, count)

    # parts with lines of their own

    def volt(self, n):
        millivolts = self.layer.convert(PINS[VOLTS[n]][0])
        self.tell("volt", n, "none" if millivolts is None else int(round(millivolts)))

    def pulse(self, n):
        pin = PINS[PULSES[n]][0]
        self.layer.pin_pull(pin, 1)
        self.layer.pin_set(pin, 0)
        self.layer.delay(0.02)
        self.layer.pin_set(pin, None)
        fell = any(not self.layer.pin_get(pin) for _ in range(200))
        rose = fell and any(self.layer.pin_get(pin) for _ in range(2000))
        self.layer.pin_pull(pin, 0)
        self.tell("pulse", n, "yes" if rose else "no")

    def clock(self, n):
        data, clock = (PINS[i][0] for i in CLOCKS[n])
        self.layer.pin_set(clock, 0)
        ready = False
        for _ in range(100):
            self.layer.delay(0.01)
            ready = not self.layer.pin_get(data)
            if ready:
                break
        value = 0
        for bit in range(25):
            self.layer.pin_set(clock, 1)
            self.layer.pin_set(clock, 0)
            if bit < 24:
                value = value << 1 | self.layer.pin_get(data)
        # After the last pulse it stays high until the next value; a line that is stuck low does not.
        ready = ready and bool(self.layer.pin_get(data))
        self.tell("clock", n, "%06x" % value if ready else "none")

    # a run

    def __call__(self):
        self.seq = 0
        self.run = 0
        self.rest()
        self.tell("begin", FORM, len(PINS))
        self.level(1)
        self.level(-1)
        for n, (_, flags) in enumerate(PINS):
            if flags & HELD:
                self.hold(n)
        self.rest()
        self.layer.delay(0.05)
        for table, step in (
            (BUSES, self.scan),
            (WORDS, self.word),
            (WIRES, self.search),
            (VOLTS, self.volt),
            (PULSES, self.pulse),
            (CLOCKS, self.clock),
        ):
            for n in range(len(table)):
                step(n)
        self.rest()
        self.line("end", "%08x" % self.run)

    # what is asked from outside

    def watch(self, number, milliseconds, *lines):
        """Counts how often pins change: a hand moves something meanwhile."""
        pins = []
        for n, pull in zip(lines[::2], lines[1::2]):
            pin, flags = PINS[n]
            # Outputs are not watched: to listen they would have to be let go.
            if flags & (LOW | HIGH):
                return
            self.layer.pin_set(pin, None)
            self.layer.pin_pull(pin, 1 if pull else 0)
            pins.append(pin)
        self.layer.delay(0.002)
        before = [self.layer.pin_get(pin) for pin in pins]
        changes = [0] * len(pins)
        for _ in range(milliseconds):
            for i, pin in enumerate(pins):
                now = self.layer.pin_get(pin)
                changes[i] += now != before[i]
                before[i] = now
            self.layer.delay(0.001)
        for pin in pins:
            self.layer.pin_pull(pin, 0)
        self.seq = number
        self.line("watched", *changes)

    def drive(self, number, n):
        """Asked for by a person who looks at what moves: for a moment, then back to rest."""
        pin, flags = PINS[n]
        if flags & (LOW | HIGH):
            self.layer.pin_set(pin, 0 if flags & HIGH else 1)
            self.layer.delay(${DRIVEN / 1000})
            self.layer.pin_set(pin, 1 if flags & HIGH else 0)
            self.seq = number
            self.line("driven", n)

    def listen(self):
        """Answers questions until there comes no more."""
        while True:
            text = self.layer.read()
            if not text:
                return
            prefix, _, rest = text.strip().partition(" ")
            rest, _, check = rest.rpartition(" ")
            if prefix != PREFIX or check != "%08x" % zlib.crc32((PLAN + " " + rest).encode()):
                continue
            number, word, *fields = rest.split(" ")
            try:
                if word == "run":
                    self()
                elif word in ("watch", "drive"):
                    getattr(self, word)(int(number), *map(int, fields))
            except (IndexError, TypeError, ValueError):
                continue  # Asked of what this plan does not have.
`;

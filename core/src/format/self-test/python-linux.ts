/** A layer of the self-test for the character devices of Linux. */
export const LINUX = String.raw`

class Linux(Layer):
    """The character devices of Linux: /dev/i2c-N and /dev/gpiochipN. Numbers of ioctls are those of the kernel's headers."""

    I2C_SLAVE = 0x0703
    GET_LINE = 0xC250B407
    SET_CONFIG = 0xC110B40D
    GET_VALUES = 0xC010B40E
    INPUT, OUTPUT, PULL_UP, PULL_DOWN, NO_PULL = 1 << 2, 1 << 3, 1 << 8, 1 << 9, 1 << 10

    def __init__(self, buses=("/dev/i2c-1",), chip="/dev/gpiochip0"):
        self.paths = buses
        self.chip = chip
        self.files = {}
        self.lines = {}
        self.pulls = {}

    def bus(self, n, address):
        import fcntl
        import os

        if n not in self.files:
            self.files[n] = os.open(self.paths[n], os.O_RDWR)
        fcntl.ioctl(self.files[n], self.I2C_SLAVE, address)
        return self.files[n]

    def bus_write(self, bus, address, data):
        import os

        try:
            # Nothing cannot be written: a byte is read in its place, which a part acknowledges as well.
            if data:
                os.write(self.bus(bus, address), data)
            else:
                os.read(self.bus(bus, address), 1)
            return True
        except OSError:
            return False

    def bus_read(self, bus, address, count):
        import os

        try:
            return os.read(self.bus(bus, address), count)
        except OSError:
            return None

    def config(self, flags, high):
        import struct

        # One attribute says the level of an output: its kind, the level, and the line that it is for.
        outputs = struct.pack("=IIQQ", 2, 0, high, 1) if flags & self.OUTPUT else b""
        return struct.pack("=QI20x", flags, 1 if outputs else 0) + outputs.ljust(240, b"\0")

    def line_of(self, pin, flags, high=0):
        import fcntl
        import os
        import struct

        config = self.config(flags, high)
        if pin in self.lines:
            fcntl.ioctl(self.lines[pin], self.SET_CONFIG, bytearray(config))
            return self.lines[pin]
        chip = os.open(self.chip, os.O_RDWR)
        request = bytearray(struct.pack("=I252x32s", pin, b"self-test") + config + struct.pack("=II20xi", 1, 0, 0))
        fcntl.ioctl(chip, self.GET_LINE, request)
        os.close(chip)
        self.lines[pin] = struct.unpack("=i", request[-4:])[0]
        return self.lines[pin]

    def bias(self, pin):
        return {-1: self.PULL_DOWN, 0: self.NO_PULL, 1: self.PULL_UP}[self.pulls.get(pin, 0)]

    def pin_set(self, pin, level):
        if level is None:
            self.line_of(pin, self.INPUT | self.bias(pin))
        else:
            self.line_of(pin, self.OUTPUT, level)

    def pin_pull(self, pin, pull):
        self.pulls[pin] = pull
        try:
            self.line_of(pin, self.INPUT | self.bias(pin))
        except OSError:
            return False
        return True

    def pin_get(self, pin):
        import fcntl
        import struct

        values = bytearray(struct.pack("=QQ", 0, 1))
        fcntl.ioctl(self.lines[pin], self.GET_VALUES, values)
        return struct.unpack("=QQ", values)[0] & 1

    def wire_numbers(self, pin):
        """The kernel searches one-wire lines by itself: those of all of its lines together."""
        import os

        try:
            names = sorted(os.listdir("/sys/bus/w1/devices"))
        except OSError:
            return []
        numbers = []
        for name in names:
            if name[2:3] == "-" and len(name) == 15:
                body = bytes([int(name[:2], 16)]) + bytes.fromhex(name[3:])[::-1]
                numbers.append(list(body) + [crc8(body)])
        return numbers


def crc8(data):
    crc = 0
    for byte in data:
        crc ^= byte
        for _ in range(8):
            crc = crc >> 1 ^ 0x8C if crc & 1 else crc >> 1
    return crc


if __name__ == "__main__":
    test = SelfTest(Linux())
    test()
    # With the word "listen" it goes on to answer what it is asked.
    if sys.argv[1:] == ["listen"]:
        test.listen()
`;

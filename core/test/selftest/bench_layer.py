"""The hardware layer of a self-test on the simulated bench: every call is a line on the way out, every answer one on the way in."""
import sys

sys.path.insert(0, sys.argv[1])
import self_test  # noqa: E402


def say(*words):
    sys.stdout.write(" ".join(str(word) for word in words) + "\n")


def ask(*words):
    say(*words)
    sys.stdout.flush()
    return sys.stdin.readline().split()


class Bench(self_test.Layer):
    def pin(self, pin):
        return pin if isinstance(pin, int) else 1000 + [p for p, _ in self_test.PINS].index(pin)

    def bus_write(self, bus, address, data):
        return ask("w", bus, address, *data)[0] == "1"

    def bus_read(self, bus, address, count):
        found = [int(byte) for byte in ask("r", bus, address, count)]
        return None if found[0] < 0 else found

    def pin_set(self, pin, level):
        say("s", self.pin(pin), -1 if level is None else level)

    def pin_get(self, pin):
        return int(ask("g", self.pin(pin))[0])

    def pin_pull(self, pin, pull):
        return ask("p", self.pin(pin), pull)[0] == "0"

    def convert(self, pin):
        return int(ask("c", self.pin(pin))[0])

    def wire_reset(self, pin):
        return ask("x", self.pin(pin))[0] == "1"

    def wire_bit(self, pin, bit):
        return int(ask("b", self.pin(pin), bit)[0])

    def delay(self, seconds):
        say("d", int(seconds * 1e6))

    def read(self):
        text = ""
        while not text.endswith("\n"):
            text += chr(int(ask("i")[0]))
        return text

    def print(self, text):
        say("t", text + "\\n")


test = self_test.SelfTest(Bench())
if sys.argv[2:] == ["listen"]:
    test.listen()
test()
say("q")

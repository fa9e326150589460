/** What a self-test in C asks of the maker's platform. */
export const HARDWARE = String.raw`
#include <stddef.h>
#include <stdint.h>

/*
 * What your platform does. Buses are counted from 0 in the order of the table below, pins are the numbers that stand there. A pin that
 * was used as a pin is given back to its bus by the functions of the bus.
 */

/* Writes to a seven-bit address, with nothing to write only the address. Returns 0 when it was acknowledged. */
int hal_bus_write(int bus, int address, const uint8_t *bytes, int count);
/* Reads as many bytes. Returns 0 when the address was acknowledged. */
int hal_bus_read(int bus, int address, uint8_t *bytes, int count);
/* Drives a pin low (0) or high (1), or lets it go and only listens (-1). */
void hal_pin_set(int pin, int level);
/* Returns 0 or 1. */
int hal_pin_get(int pin);
/* Switches the pull inside the pin: down (-1), off (0), up (1). Returns 0, or anything else where the pin has no such pull. */
int hal_pin_pull(int pin, int pull);
/* Returns what the converter reads at a pin in millivolts, -1 where it cannot. */
long hal_convert(int pin);
/* Resets a one-wire line. Returns 1 when something answered. */
int hal_wire_reset(int pin);
/* Writes one bit, a 1 to read one. Returns what was on the line. */
int hal_wire_bit(int pin, int bit);
void hal_delay(unsigned long microseconds);
/* Prints a text as it is; line ends are in it. */
void hal_print(const char *text);
/* Returns the next character that came in, -1 while there is none. */
int hal_read(void);

void self_test(void);
void self_test_listen(void);
`;

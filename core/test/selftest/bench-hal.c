/* The hardware layer of a self-test on the simulated bench: every call is a line on the way out, every answer one on the way in. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "hal.h"

static char answer[1024];

static long ask(void)
{
    fflush(stdout);
    if (fgets(answer, sizeof answer, stdin) == NULL)
        exit(3);
    return strtol(answer, NULL, 10);
}

int hal_bus_write(int bus, int address, const uint8_t *bytes, int count)
{
    int i;
    printf("w %d %d", bus, address);
    for (i = 0; i < count; i++)
        printf(" %d", bytes[i]);
    putchar('\n');
    return ask() != 0 ? 0 : -1;
}

int hal_bus_read(int bus, int address, uint8_t *bytes, int count)
{
    char *at = answer;
    int i;
    printf("r %d %d %d\n", bus, address, count);
    if (ask() < 0)
        return -1;
    for (i = 0; i < count; i++)
        bytes[i] = (uint8_t)strtol(at, &at, 10);
    return 0;
}

void hal_pin_set(int pin, int level)
{
    printf("s %d %d\n", pin, level);
}

int hal_pin_get(int pin)
{
    printf("g %d\n", pin);
    return (int)ask();
}

int hal_pin_pull(int pin, int pull)
{
    printf("p %d %d\n", pin, pull);
    return (int)ask();
}

long hal_convert(int pin)
{
    printf("c %d\n", pin);
    return ask();
}

int hal_wire_reset(int pin)
{
    printf("x %d\n", pin);
    return (int)ask();
}

int hal_wire_bit(int pin, int bit)
{
    printf("b %d %d\n", pin, bit);
    return (int)ask();
}

void hal_delay(unsigned long microseconds)
{
    printf("d %lu\n", microseconds);
}

void hal_print(const char *text)
{
    printf("t ");
    for (; *text != '\0'; text++) {
        if (*text == '\n')
            fputs("\\n", stdout);
        else if (*text != '\r')
            putchar(*text);
    }
    putchar('\n');
}

int hal_read(void)
{
    puts("i");
    return (int)ask();
}

int main(int argc, char **argv)
{
    (void)argv;
    if (argc == 1) {
        self_test();
        puts("q");
        fflush(stdout);
        return 0;
    }
    for (;;)
        self_test_listen();
}

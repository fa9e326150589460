/** Of a self-test in C: one-wire lines, and parts with lines of their own. */
export const PARTS = String.raw`
/* ---- one wire ---- */

static void st_wire_byte(int pin, unsigned byte)
{
    int i;
    for (i = 0; i < 8; i++)
        (void)hal_wire_bit(pin, (int)((byte >> i) & 1u));
}

static void st_wire_rom(const uint8_t *rom)
{
    int i;
    for (i = 0; i < 8; i++)
        st_hex(rom[i], 2);
}

static void st_pad(int i, const uint8_t *rom)
{
    int pin = st_pin[st_wire[i].pin].pin;
    int n;
    (void)hal_wire_reset(pin);
    st_wire_byte(pin, 0xCC);
    st_wire_byte(pin, 0x44);
    /* Parts that live on the line itself need it high meanwhile, and nothing else may happen on it. */
    hal_delay(800000);
    (void)hal_wire_reset(pin);
    st_wire_byte(pin, 0x55);
    for (n = 0; n < 8; n++)
        st_wire_byte(pin, rom[n]);
    st_wire_byte(pin, 0xBE);
    st_begin("pad");
    st_count((unsigned long)i);
    st_put(" ");
    st_wire_rom(rom);
    st_put(" ");
    for (n = 0; n < 9; n++) {
        unsigned byte = 0;
        int bit;
        for (bit = 0; bit < 8; bit++)
            byte |= (unsigned)(hal_wire_bit(pin, 1) & 1) << bit;
        st_hex(byte, 2);
    }
    st_end();
}

/* Finds the numbers of all parts on a line, one after the other, by taking the other way at the last place where two differed. */
static void st_search(int i)
{
    int pin = st_pin[st_wire[i].pin].pin;
    uint8_t rom[8] = { 0, 0, 0, 0, 0, 0, 0, 0 };
    int last = -1;
    unsigned long count = 0;
    for (;;) {
        int bit;
        int split = -1;
        if (hal_wire_reset(pin) == 0)
            break;
        st_wire_byte(pin, 0xF0);
        for (bit = 0; bit < 64; bit++) {
            uint8_t mask = (uint8_t)(1u << (bit % 8));
            int one = hal_wire_bit(pin, 1);
            int zero = hal_wire_bit(pin, 1);
            int way;
            if (one != 0 && zero != 0)
                break;
            if (one != zero)
                way = one;
            else if (bit < last)
                way = (rom[bit / 8] & mask) != 0;
            else
                way = bit == last;
            if (one == zero && way == 0)
                split = bit;
            rom[bit / 8] = (uint8_t)(way != 0 ? rom[bit / 8] | mask : rom[bit / 8] & ~mask);
            (void)hal_wire_bit(pin, way);
        }
        if (bit < 64)
            break;
        st_begin("rom");
        st_count((unsigned long)i);
        st_put(" ");
        st_wire_rom(rom);
        st_end();
        count++;
        if (st_wire[i].thermometers != 0)
            st_pad(i, rom);
        last = split;
        /* A line that is stuck shows the same number for ever. */
        if (last < 0 || count >= 64)
            break;
    }
    st_begin("wire");
    st_count((unsigned long)i);
    st_count(count);
    st_end();
}

/* ---- parts with lines of their own ---- */

static void st_convert(int i)
{
    long millivolts = hal_convert(st_pin[st_volt[i]].pin);
    st_begin("volt");
    st_count((unsigned long)i);
    if (millivolts < 0)
        st_field("none");
    else
        st_count((unsigned long)millivolts);
    st_end();
}

static void st_answer_pulse(int i)
{
    int pin = st_pin[st_pulse[i]].pin;
    int polls = 0;
    (void)hal_pin_pull(pin, 1);
    hal_pin_set(pin, 0);
    hal_delay(20000);
    hal_pin_set(pin, -1);
    while (polls < 200 && hal_pin_get(pin) != 0)
        polls++;
    /* It pulls low, and lets go again. */
    if (polls < 200) {
        polls = 0;
        while (polls < 2000 && hal_pin_get(pin) == 0)
            polls++;
        if (polls == 2000)
            polls = 200;
        else
            polls = 0;
    }
    (void)hal_pin_pull(pin, 0);
    st_begin("pulse");
    st_count((unsigned long)i);
    st_field(polls < 200 ? "yes" : "no");
    st_end();
}

static void st_clock_out(int i)
{
    int data = st_pin[st_clock[i].data].pin;
    int clock = st_pin[st_clock[i].clock].pin;
    uint32_t value = 0;
    int waits = 0;
    int ready;
    int bit;
    hal_pin_set(clock, 0);
    do
        hal_delay(10000);
    while (hal_pin_get(data) != 0 && ++waits < 100);
    ready = waits < 100;
    for (bit = 0; bit < 25; bit++) {
        hal_pin_set(clock, 1);
        hal_delay(1);
        hal_pin_set(clock, 0);
        hal_delay(1);
        if (bit < 24)
            value = (value << 1) | (uint32_t)(hal_pin_get(data) & 1);
    }
    /* After the last pulse it stays high until the next value; a line that is stuck low does not. */
    ready = ready && hal_pin_get(data) != 0;
    st_begin("clock");
    st_count((unsigned long)i);
    st_put(" ");
    if (ready)
        st_hex(value, 6);
    else
        st_put("none");
    st_end();
}

`;

/** Of a self-test in C: its lines, its pins and its buses. */
export const LINES = String.raw`
/* ---- lines ---- */

static char st_line[480];
static size_t st_used;
static uint32_t st_run;
static unsigned st_seq;

static uint32_t st_crc(uint32_t crc, const char *text)
{
    crc = ~crc;
    for (; *text != '\0'; text++) {
        int bit;
        crc ^= (uint8_t)*text;
        for (bit = 0; bit < 8; bit++)
            crc = (crc & 1u) != 0u ? (crc >> 1) ^ 0xEDB88320u : crc >> 1;
    }
    return ~crc;
}

static void st_put(const char *text)
{
    while (*text != '\0' && st_used + 1 < sizeof st_line)
        st_line[st_used++] = *text++;
    st_line[st_used] = '\0';
}

static void st_hex(uint32_t value, int digits)
{
    char text[9];
    int i;
    for (i = digits - 1; i >= 0; i--) {
        text[i] = "0123456789abcdef"[value & 15u];
        value >>= 4;
    }
    text[digits] = '\0';
    st_put(text);
}

static void st_number(unsigned long value)
{
    char text[21];
    int i = 20;
    text[i] = '\0';
    do {
        text[--i] = (char)('0' + value % 10);
        value /= 10;
    } while (value > 0);
    st_put(&text[i]);
}

static void st_begin(const char *word)
{
    st_used = 0;
    st_number(st_seq);
    st_put(" ");
    st_put(word);
}

static void st_field(const char *text)
{
    st_put(" ");
    st_put(text);
}

static void st_count(unsigned long value)
{
    st_put(" ");
    st_number(value);
}

static void st_print(void)
{
    uint32_t check = st_crc(st_crc(0, ST_PLAN " "), st_line);
    hal_print(ST_PREFIX " ");
    hal_print(st_line);
    st_used = 0;
    st_put(" ");
    st_hex(check, 8);
    st_put("\r\n");
    hal_print(st_line);
}

/* Prints a line of a run. */
static void st_end(void)
{
    st_run = st_crc(st_crc(st_run, st_line), "\n");
    st_seq++;
    st_print();
}

/* ---- pins ---- */

/* Set where a pin turned out to have no such pull. */
static unsigned char st_bare[ST_PINS + 1];

static void st_rest(void)
{
    int i;
    for (i = 0; i < ST_PINS; i++) {
        hal_pin_set(st_pin[i].pin, (st_pin[i].flags & ST_HIGH) != 0 ? 1 : (st_pin[i].flags & ST_LOW) != 0 ? 0 : -1);
        if ((st_pin[i].flags & (ST_HIGH | ST_LOW)) == 0)
            (void)hal_pin_pull(st_pin[i].pin, 0);
    }
}

/* Outputs that may move something are never let go: only the others are pulled. */
static void st_pull(int pull)
{
    int i;
    for (i = 0; i < ST_PINS; i++)
        st_bare[i] = (st_pin[i].flags & ST_PULLED) == 0 || hal_pin_pull(st_pin[i].pin, pull) != 0;
    hal_delay(2000);
}

static void st_levels(void)
{
    char text[2] = "-";
    int i;
    st_put(" ");
    for (i = 0; i < ST_PINS; i++) {
        text[0] = '-';
        if (st_bare[i] == 0)
            text[0] = hal_pin_get(st_pin[i].pin) != 0 ? '1' : '0';
        st_put(text);
    }
}

static void st_level(int pull)
{
    st_pull(pull);
    st_begin("level");
    st_field(pull > 0 ? "up" : "down");
    st_levels();
    st_end();
}

static void st_hold(int i)
{
    st_pull(1);
    hal_pin_set(st_pin[i].pin, 0);
    hal_delay(2000);
    st_begin("hold");
    st_count((unsigned long)i);
    st_levels();
    hal_pin_set(st_pin[i].pin, -1);
    st_end();
}

/* ---- buses ---- */

static void st_choose(const st_bus_t *bus, int on)
{
    uint8_t byte = (uint8_t)(on ? bus->byte : 0);
    if (bus->through >= 0)
        (void)hal_bus_write(bus->unit, bus->through, &byte, 1);
}

static void st_scan(int i)
{
    int address;
    st_choose(&st_bus[i], 1);
    st_begin("scan");
    st_count((unsigned long)i);
    for (address = 0x08; address < 0x78; address++)
        if (hal_bus_write(st_bus[i].unit, address, NULL, 0) == 0) {
            st_put(" ");
            st_hex((uint32_t)address, 2);
        }
    st_choose(&st_bus[i], 0);
    st_end();
}

static void st_read_word(int i)
{
    const st_word_t *word = &st_word[i];
    const st_bus_t *bus = &st_bus[word->bus];
    uint8_t bytes[4];
    int n = 0;
    int there;
    if (word->wide != 0)
        bytes[n++] = (uint8_t)(word->index >> 8);
    bytes[n++] = (uint8_t)(word->index & 255u);
    st_choose(bus, 1);
    there = hal_bus_write(bus->unit, word->address, bytes, n) == 0 &&
            hal_bus_read(bus->unit, word->address, bytes, word->bits / 8) == 0;
    st_choose(bus, 0);
    st_begin("word");
    st_count((unsigned long)i);
    st_put(" ");
    if (there)
        for (n = 0; n < word->bits / 8; n++)
            st_hex(bytes[n], 2);
    else
        st_put("none");
    st_end();
}

`;

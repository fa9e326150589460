/** Of a self-test in C: a whole run, and what is asked from outside. */
import { DRIVEN, MOST_WATCHED } from '../../selftest/question.ts';

export const RUN = String.raw`
/* ---- a run ---- */

void self_test(void)
{
    int i;
    st_seq = 0;
    st_run = 0;
    st_rest();
    st_begin("begin");
    st_count(ST_FORM);
    st_count(ST_PINS);
    st_end();
    st_level(1);
    st_level(-1);
    for (i = 0; i < ST_PINS; i++)
        if ((st_pin[i].flags & ST_HELD) != 0)
            st_hold(i);
    st_rest();
    hal_delay(50000);
    for (i = 0; i < ST_BUSES; i++)
        st_scan(i);
    for (i = 0; i < ST_WORDS; i++)
        st_read_word(i);
    for (i = 0; i < ST_WIRES; i++)
        st_search(i);
    for (i = 0; i < ST_VOLTS; i++)
        st_convert(i);
    for (i = 0; i < ST_PULSES; i++)
        st_answer_pulse(i);
    for (i = 0; i < ST_CLOCKS; i++)
        st_clock_out(i);
    st_rest();
    st_begin("end");
    st_put(" ");
    st_hex(st_run, 8);
    st_print();
}

/* ---- what is asked from outside ---- */

static char st_heard[96];
static size_t st_heard_used;

static unsigned long st_value(const char **at)
{
    unsigned long value = 0;
    while (**at == ' ')
        (*at)++;
    while (**at >= '0' && **at <= '9' && value < 100000ul)
        value = value * 10 + (unsigned long)(*(*at)++ - '0');
    return value;
}

static int st_is(const char **at, const char *word)
{
    const char *a = *at;
    while (*word != '\0' && *a == *word) {
        a++;
        word++;
    }
    if (*word != '\0' || (*a != ' ' && *a != '\0'))
        return 0;
    *at = a;
    return 1;
}

/* So many pins are watched at once at most. */
#define ST_WATCHED ${MOST_WATCHED}

/* Counts how often pins change, for so many milliseconds: a hand moves something meanwhile. */
static void st_watch(unsigned number, const char *at)
{
    int pin[ST_WATCHED];
    int before[ST_WATCHED];
    unsigned long changes[ST_WATCHED];
    int count = 0;
    int i;
    unsigned long milliseconds = st_value(&at);
    while (*at == ' ' && count < ST_WATCHED) {
        unsigned long n = st_value(&at);
        /* Outputs are not watched: to listen they would have to be let go. */
        if ((long)n >= (long)ST_PINS || (st_pin[n].flags & (ST_HIGH | ST_LOW)) != 0)
            return;
        pin[count] = st_pin[n].pin;
        changes[count] = 0;
        hal_pin_set(pin[count], -1);
        (void)hal_pin_pull(pin[count], st_value(&at) != 0 ? 1 : 0);
        count++;
    }
    hal_delay(2000);
    for (i = 0; i < count; i++)
        before[i] = hal_pin_get(pin[i]);
    while (milliseconds-- > 0) {
        for (i = 0; i < count; i++) {
            int now = hal_pin_get(pin[i]);
            if (now != before[i]) {
                before[i] = now;
                changes[i]++;
            }
        }
        hal_delay(1000);
    }
    st_seq = number;
    st_begin("watched");
    for (i = 0; i < count; i++) {
        (void)hal_pin_pull(pin[i], 0);
        st_count(changes[i]);
    }
    st_print();
}

/* A question: its number, a word, and what belongs to it. Answered under the same number. */
static void st_asked(const char *at)
{
    unsigned long number = st_value(&at);
    unsigned long n;
    while (*at == ' ')
        at++;
    if (st_is(&at, "run")) {
        self_test();
        return;
    }
    if (st_is(&at, "watch")) {
        st_watch((unsigned)number, at);
    } else if (st_is(&at, "drive")) {
        /* Asked for by a person who looks at what moves: for a moment, then back to rest. */
        n = st_value(&at);
        if ((long)n >= (long)ST_PINS || (st_pin[n].flags & (ST_HIGH | ST_LOW)) == 0)
            return;
        hal_pin_set(st_pin[n].pin, (st_pin[n].flags & ST_HIGH) != 0 ? 0 : 1);
        hal_delay(${DRIVEN * 1000});
        hal_pin_set(st_pin[n].pin, (st_pin[n].flags & ST_HIGH) != 0 ? 1 : 0);
        st_seq = (unsigned)number;
        st_begin("driven");
        st_count(n);
        st_print();
    }
}

/* Call this again and again: takes what came in, and answers once a line is whole and its check is right. */
void self_test_listen(void)
{
    int c = hal_read();
    for (; c >= 0; c = hal_read()) {
        char check[10];
        const char *at = st_heard;
        size_t i;
        size_t k;
        if (c != '\n' && c != '\r') {
            if (st_heard_used + 1 < sizeof st_heard)
                st_heard[st_heard_used++] = (char)c;
            continue;
        }
        st_heard[st_heard_used] = '\0';
        i = st_heard_used;
        st_heard_used = 0;
        if (i < 10)
            continue;
        /* The check is the last eight characters, behind a space. */
        i -= 9;
        for (k = 0; k < 10; k++)
            check[k] = st_heard[i + k];
        st_heard[i] = '\0';
        if (!st_is(&at, ST_PREFIX))
            continue;
        while (*at == ' ')
            at++;
        st_used = 0;
        st_put(" ");
        st_hex(st_crc(st_crc(0, ST_PLAN " "), at), 8);
        for (i = 0; i < 9 && st_line[i] == check[i]; i++)
            ;
        if (i == 9)
            st_asked(at);
    }
}
`;

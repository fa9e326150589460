/**
 * Pin tables of invented boards in the ways in which sheets, shop pages and prints write them, and what each says. They were written
 * before what reads them; common practice without a source.
 */

interface Said {
  /** Pin -> functions, parted by blanks. */
  readonly pins: Readonly<Record<string, string>>;
  /** Pin -> what is said of it besides: "strap low", "reserved flash", "boot pulses", "boot up", "nopull". */
  readonly marks?: Readonly<Record<string, string>>;
  readonly matrix?: string;
}

export interface PinTableCase extends Said {
  readonly name: string;
  readonly text: string;
}

const numbered = (from: number, to: number, of: (n: number) => [string, string]): Record<string, string> =>
  Object.fromEntries(Array.from({ length: to - from + 1 }, (_, i) => of(from + i)));

export const PIN_TABLES: readonly PinTableCase[] = [
  {
    name: 'a table with strokes, remarks in the last column',
    text: `
| Pin | Functions | Remarks |
|-----|-----------|---------|
| GPIO0 | ADC2_CH1, TOUCH1, PWM | must be high at boot |
| GPIO1 | U0TXD | serial console, prints the boot log |
| GPIO2 | ADC2_CH2, TOUCH2, PWM | must be low at boot |
| GPIO3 | U0RXD | serial console |
| GPIO4 | ADC2_CH0, TOUCH0, PWM | |
| GPIO6 | SPI flash | do not use |
| GPIO12 | ADC2_CH5, TOUCH5, PWM | strapping pin: keep low at start |
| GPIO21 | I2C0 SDA, PWM | |
| GPIO22 | I2C0 SCL, PWM | |
| GPIO25 | DAC1, ADC2_CH8, PWM | |
| GPIO34 | ADC1_CH6 | input only, no internal pull-up |
| GPIO35 | ADC1_CH7 | input only, no internal pull-up |
| 3V3 | power | 3.3 V out |
| GND | ground | |
`,
    pins: {
      GPIO0: 'in out adc2.1 touch pwm',
      GPIO1: 'in out uart0.tx',
      GPIO2: 'in out adc2.2 touch pwm',
      GPIO3: 'in out uart0.rx',
      GPIO4: 'in out adc2.0 touch pwm',
      GPIO6: 'in out',
      GPIO12: 'in out adc2.5 touch pwm',
      GPIO21: 'in out i2c0.sda pwm',
      GPIO22: 'in out i2c0.scl pwm',
      GPIO25: 'in out dac1 adc2.8 pwm',
      GPIO34: 'in adc1.6',
      GPIO35: 'in adc1.7',
    },
    marks: {
      GPIO0: 'strap high',
      GPIO1: 'reserved console',
      GPIO2: 'strap low',
      GPIO3: 'reserved console',
      GPIO6: 'reserved flash',
      GPIO12: 'strap low',
      GPIO34: 'nopull',
      GPIO35: 'nopull',
    },
  },
  {
    name: 'tabs, a column of the type of each pin',
    text: [
      'No.\tName\tType\tFunction\tNotes',
      '1\tGND\tG\tGround\t',
      '2\tVDD\tP\t3.3 V supply\t',
      '3\tIO0\tI/O\tXTAL_32K_P, ADC0_CH0\t',
      '4\tIO1\tI/O\tXTAL_32K_N, ADC0_CH1\t',
      '5\tIO2\tI/O\tADC0_CH2, SPI2_MISO\tStrapping pin, pulled up at reset',
      '6\tIO3\tI\tADC0_CH3\tinput only',
      '7\tIO4\tI/O\tSPI2_CLK, ADC0_CH4\t',
      '8\tIO5\tI/O\tSPI2_MOSI\t',
      '9\tIO8\tI/O\tSPI2_CS\tmust be high during reset',
      '10\tIO18\tI/O\tUSB_D-\tused by USB',
      '11\tIO19\tI/O\tUSB_D+\tused by USB',
      '12\tIO20\tI/O\tUART0_RXD\t',
      '13\tIO21\tI/O\tUART0_TXD\t',
      '14\tEN\tI\tchip enable\t',
    ].join('\n'),
    pins: {
      IO0: 'in out adc0.0',
      IO1: 'in out adc0.1',
      IO2: 'in out adc0.2 spi2.in',
      IO3: 'in adc0.3',
      IO4: 'in out spi2.clk adc0.4',
      IO5: 'in out spi2.out',
      IO8: 'in out spi2.select',
      IO18: 'in out',
      IO19: 'in out',
      IO20: 'in out uart0.rx',
      IO21: 'in out uart0.tx',
    },
    marks: { IO2: 'boot up', IO8: 'strap high', IO18: 'reserved usb', IO19: 'reserved usb' },
  },
  {
    name: 'lines with a colon, ranges, a sentence for all',
    text: `
GPIO0-GPIO15: digital I/O, PWM
GPIO0: UART0 TX, I2C0 SDA, SPI0 RX
GPIO1: UART0 RX, I2C0 SCL, SPI0 CSn
GPIO2: I2C1 SDA, SPI0 SCK
GPIO3: I2C1 SCL, SPI0 TX
GPIO4: UART1 TX, I2C0 SDA, SPI0 RX
GPIO5: UART1 RX, I2C0 SCL, SPI0 CSn
GPIO26 to GPIO28: digital I/O, PWM
GPIO26: ADC0, I2C1 SDA
GPIO27: ADC1, I2C1 SCL
GPIO28: ADC2
All GPIO pins can raise an interrupt.
`,
    pins: {
      ...numbered(0, 15, (n) => [`GPIO${n}`, 'in out pwm irq']),
      GPIO0: 'in out pwm irq uart0.tx i2c0.sda spi0.in',
      GPIO1: 'in out pwm irq uart0.rx i2c0.scl spi0.select',
      GPIO2: 'in out pwm irq i2c1.sda spi0.clk',
      GPIO3: 'in out pwm irq i2c1.scl spi0.out',
      GPIO4: 'in out pwm irq uart1.tx i2c0.sda spi0.in',
      GPIO5: 'in out pwm irq uart1.rx i2c0.scl spi0.select',
      GPIO26: 'in out pwm irq adc0.0 i2c1.sda',
      GPIO27: 'in out pwm irq adc0.1 i2c1.scl',
      GPIO28: 'in out pwm irq adc0.2',
    },
  },
  {
    name: 'the print of a hobby board',
    text: `
D0 / RX
D1 / TX
D2 INT0
D3 ~ INT1
D4
D5 ~
D6 ~
D7
D8
D9 ~
D10 ~ SS
D11 ~ MOSI
D12 MISO
D13 SCK
A0
A1
A2
A3
A4 SDA
A5 SCL
5V
GND
VIN
`,
    pins: {
      D0: 'in out uart0.rx',
      D1: 'in out uart0.tx',
      D2: 'in out irq',
      D3: 'in out pwm irq',
      D4: 'in out',
      D5: 'in out pwm',
      D6: 'in out pwm',
      D7: 'in out',
      D8: 'in out',
      D9: 'in out pwm',
      D10: 'in out pwm spi0.select',
      D11: 'in out pwm spi0.out',
      D12: 'in out spi0.in',
      D13: 'in out spi0.clk',
      A0: 'in out adc0.0',
      A1: 'in out adc0.1',
      A2: 'in out adc0.2',
      A3: 'in out adc0.3',
      A4: 'in out adc0.4 i2c0.sda',
      A5: 'in out adc0.5 i2c0.scl',
    },
  },
  {
    name: 'a matrix with a column for each peripheral',
    text: `
Pin;SPI;UART;I2C;PWM;ADC
P0;SPI0 MISO;UART0 TX;I2C0 SDA;PWM0 A;
P1;SPI0 CS;UART0 RX;I2C0 SCL;PWM0 B;
P2;SPI0 SCK;;I2C1 SDA;PWM1 A;
P3;SPI0 MOSI;;I2C1 SCL;PWM1 B;
P26;;;I2C1 SDA;PWM5 A;ADC0
P27;;;I2C1 SCL;PWM5 B;ADC1
`,
    pins: {
      P0: 'in out spi0.in uart0.tx i2c0.sda pwm0',
      P1: 'in out spi0.select uart0.rx i2c0.scl pwm1',
      P2: 'in out spi0.clk i2c1.sda pwm2',
      P3: 'in out spi0.out i2c1.scl pwm3',
      P26: 'in out i2c1.sda pwm10 adc0.0',
      P27: 'in out i2c1.scl pwm11 adc0.1',
    },
  },
  {
    name: 'ports with letters, timers, several converters at once',
    text: `
PA0  -  ADC12_IN0, TIM2_CH1, USART2_CTS, WKUP
PA1  -  ADC12_IN1, TIM2_CH2, USART2_RTS
PA2  -  ADC12_IN2, TIM2_CH3, USART2_TX
PA3  -  ADC12_IN3, TIM2_CH4, USART2_RX
PA4  -  ADC12_IN4, SPI1_NSS, DAC_OUT1
PA5  -  ADC12_IN5, SPI1_SCK, DAC_OUT2
PA6  -  ADC12_IN6, SPI1_MISO, TIM3_CH1
PA7  -  ADC12_IN7, SPI1_MOSI, TIM3_CH2
PB6  -  I2C1_SCL, TIM4_CH1, USART1_TX
PB7  -  I2C1_SDA, TIM4_CH2, USART1_RX
PC13 -  TAMPER-RTC
`,
    pins: {
      PA0: 'in out adc1.0 adc2.0 pwm',
      PA1: 'in out adc1.1 adc2.1 pwm',
      PA2: 'in out adc1.2 adc2.2 pwm uart2.tx',
      PA3: 'in out adc1.3 adc2.3 pwm uart2.rx',
      PA4: 'in out adc1.4 adc2.4 spi1.select dac1',
      PA5: 'in out adc1.5 adc2.5 spi1.clk dac2',
      PA6: 'in out adc1.6 adc2.6 spi1.in pwm',
      PA7: 'in out adc1.7 adc2.7 spi1.out pwm',
      PB6: 'in out i2c1.scl pwm uart1.tx',
      PB7: 'in out i2c1.sda pwm uart1.rx',
      PC13: 'in out',
    },
  },
  {
    name: 'a shop page in sentences, with a matrix for any pin',
    text: `
Pins IO1 to IO10 are analog inputs: ADC1_CH0 to ADC1_CH9.
IO11: ADC2_CH0
IO12: ADC2_CH1
IO38, IO39, IO40: no special function
Every pin can be used for PWM and interrupts.
I2C, SPI and UART can be routed to any pin.
IO0: boot button, must be high at boot
IO46: must be low at boot
IO45: leave open
`,
    pins: {
      ...numbered(1, 10, (n) => [`IO${n}`, `in out pwm irq adc1.${n - 1}`]),
      IO11: 'in out pwm irq adc2.0',
      IO12: 'in out pwm irq adc2.1',
      IO38: 'in out pwm irq',
      IO39: 'in out pwm irq',
      IO40: 'in out pwm irq',
      IO0: 'in out pwm irq',
      IO46: 'in out pwm irq',
      IO45: 'in out pwm irq',
    },
    marks: { IO0: 'strap high', IO46: 'strap low' },
    matrix: 'i2c0.sda i2c0.scl spi0.clk spi0.in spi0.out spi0.select uart0.tx uart0.rx',
  },
  {
    name: 'the two rows of a computer on a card, odd at the left',
    text: `
3V3 power      1  2   5V power
GPIO2 (SDA)    3  4   5V power
GPIO3 (SCL)    5  6   GND
GPIO4          7  8   GPIO14 (TXD)
GND            9  10  GPIO15 (RXD)
GPIO17        11  12  GPIO18 (PWM0)
GPIO10 (MOSI) 19  20  GND
GPIO9 (MISO)  21  22  GPIO25
GPIO11 (SCLK) 23  24  GPIO8 (CE0)
`,
    pins: {
      GPIO2: 'in out i2c0.sda',
      GPIO3: 'in out i2c0.scl',
      GPIO4: 'in out',
      GPIO14: 'in out uart0.tx',
      GPIO15: 'in out uart0.rx',
      GPIO17: 'in out',
      GPIO18: 'in out pwm0',
      GPIO10: 'in out spi0.out',
      GPIO25: 'in out',
      GPIO9: 'in out spi0.in',
      GPIO11: 'in out spi0.clk',
      GPIO8: 'in out spi0.select',
    },
  },
  {
    name: 'commas with quotes, levels at the start',
    text: `pin,type,functions,at start
D0,IO,"GPIO16, WAKE","high"
D1,IO,"GPIO5, SCL",""
D2,IO,"GPIO4, SDA",""
D3,IO,"GPIO0","pull-up; boot fails if low"
D4,IO,"GPIO2, TXD1","pull-up; boot fails if low"
D5,IO,"GPIO14, SCLK",""
D6,IO,"GPIO12, MISO",""
D7,IO,"GPIO13, MOSI",""
D8,IO,"GPIO15, CS","boot fails if high"
TX,IO,"GPIO1, TXD0","high, debug output"
RX,IO,"GPIO3, RXD0",""
A0,AI,"ADC0",""
`,
    pins: {
      D0: 'in out',
      D1: 'in out i2c0.scl',
      D2: 'in out i2c0.sda',
      D3: 'in out',
      D4: 'in out uart1.tx',
      D5: 'in out spi0.clk',
      D6: 'in out spi0.in',
      D7: 'in out spi0.out',
      D8: 'in out spi0.select',
      TX: 'in out uart0.tx',
      RX: 'in out uart0.rx',
      A0: 'adc0.0',
    },
    marks: { D0: 'boot high', D3: 'strap high', D4: 'strap high', D8: 'strap low', TX: 'boot high' },
  },
  {
    name: 'wide blanks, alternate functions in columns, an output with pulses',
    text: `
Pin    Default   Alt 1       Alt 2       Analog    Note
B0     GPIO      SERIAL1_RX  -           AIN0      -
B1     GPIO      SERIAL1_TX  -           AIN1      -
B2     GPIO      SDA0        TIM1_CH2    AIN2      -
B3     GPIO      SCL0        TIM1_CH3    AIN3      -
B4     GPIO      SPI_SCK     -           -         -
B5     GPIO      SPI_SDO     -           -         -
B6     GPIO      SPI_SDI     -           -         PWM output at boot
B7     GPI       -           -           AIN7      input only
B8     GPIO      CAN_TX      -           -         connected to the flash
`,
    pins: {
      B0: 'in out uart1.rx adc0.0',
      B1: 'in out uart1.tx adc0.1',
      B2: 'in out i2c0.sda pwm adc0.2',
      B3: 'in out i2c0.scl pwm adc0.3',
      B4: 'in out spi0.clk',
      B5: 'in out spi0.out',
      B6: 'in out spi0.in',
      B7: 'in adc0.7',
      B8: 'in out',
    },
    marks: { B6: 'boot pulses', B8: 'reserved flash' },
  },
];

/** Written when what reads the others was done, without a look at it. */
export const KEPT_BACK: readonly PinTableCase[] = [
  {
    name: 'what there is first, and on which pins',
    text: `
I2C: SDA = GPIO21, SCL = GPIO22
SPI: MOSI GPIO23, MISO GPIO19, SCK GPIO18, CS GPIO5
UART2: TX GPIO17, RX GPIO16
ADC1: GPIO32-GPIO36
PWM: GPIO12, GPIO13, GPIO14
Input only: GPIO34, GPIO35, GPIO36
`,
    pins: {
      GPIO21: 'in out i2c0.sda',
      GPIO22: 'in out i2c0.scl',
      GPIO23: 'in out spi0.out',
      GPIO19: 'in out spi0.in',
      GPIO18: 'in out spi0.clk',
      GPIO5: 'in out spi0.select',
      GPIO17: 'in out uart2.tx',
      GPIO16: 'in out uart2.rx',
      GPIO32: 'in out',
      GPIO33: 'in out',
      GPIO34: 'in',
      GPIO35: 'in',
      GPIO36: 'in',
      GPIO12: 'in out pwm',
      GPIO13: 'in out pwm',
      GPIO14: 'in out pwm',
    },
  },
  {
    name: 'ports with a point',
    text: `
P0.02  AIN0   general purpose I/O
P0.03  AIN1   general purpose I/O
P0.06  UART0_TX
P0.08  UART0_RX
P0.18  RESET
P1.00  I2C0_SDA
P1.01  I2C0_SCL
`,
    pins: {
      'P0.02': 'in out adc0.0',
      'P0.03': 'in out adc0.1',
      'P0.06': 'in out uart0.tx',
      'P0.08': 'in out uart0.rx',
      'P1.00': 'in out i2c0.sda',
      'P1.01': 'in out i2c0.scl',
    },
  },
  {
    name: 'words instead of signs',
    text: `
IO32 -> ADC1 channel 4, touch 9
IO33 -> ADC1 channel 5, touch 8
IO26 -> DAC channel 2, ADC2 channel 9
IO2 -> on-board LED, has to be low when the chip starts
IO9, IO10: connected to the internal flash memory
`,
    pins: {
      IO32: 'in out adc1.4 touch',
      IO33: 'in out adc1.5 touch',
      IO26: 'in out dac2 adc2.9',
      IO2: 'in out',
      IO9: 'in out',
      IO10: 'in out',
    },
    marks: { IO2: 'strap low', IO9: 'reserved flash', IO10: 'reserved flash' },
  },
  {
    name: 'a table without heads',
    text: `
GP0 | UART0_TX | I2C0_SDA | PWM_A[0]
GP1 | UART0_RX | I2C0_SCL | PWM_B[0]
GP2 | SPI0_SCK | I2C1_SDA | PWM_A[1]
GP3 | SPI0_TX | I2C1_SCL | PWM_B[1]
GP26 | ADC_IN0 | I2C1_SDA | PWM_A[5]
GND
VBUS
`,
    pins: {
      GP0: 'in out uart0.tx i2c0.sda pwm0',
      GP1: 'in out uart0.rx i2c0.scl pwm1',
      GP2: 'in out spi0.clk i2c1.sda pwm2',
      GP3: 'in out spi0.out i2c1.scl pwm3',
      GP26: 'in out adc0.0 i2c1.sda pwm10',
    },
  },
  {
    name: 'a second draw: two columns of a print, levels in words',
    text: `
Left side
 1  3V3
 2  EN
 3  IO36 / VP   ADC1_CH0, input only
 4  IO39 / VN   ADC1_CH3, input only
 5  IO14        TOUCH6, ADC2_CH6, SPI1 CLK (PWM at boot)
 6  IO12        TOUCH5, ADC2_CH5 (boot fails if pulled high)
 7  GND
Right side
 1  IO23   SPI0 MOSI
 2  IO1    TX0
 3  IO3    RX0
 4  IO15   TOUCH3, ADC2_CH3 (outputs its log at boot)
`,
    pins: {
      IO36: 'in adc1.0',
      IO39: 'in adc1.3',
      IO14: 'in out touch adc2.6 spi1.clk',
      IO12: 'in out touch adc2.5',
      IO23: 'in out spi0.out',
      IO1: 'in out uart0.tx',
      IO3: 'in out uart0.rx',
      IO15: 'in out touch adc2.3',
    },
    marks: { IO14: 'boot pulses', IO12: 'strap low', IO15: 'boot pulses' },
  },
  {
    name: 'a second draw: a list with bullets and bold names',
    text: `
* **D6** - GPIO12, PWM, MISO
* **D7** - GPIO13, PWM, MOSI
* **D8** - GPIO15, PWM, SS; must be LOW on boot
* **A0** - analog input (ADC0)
- GPIO16 (D0): WAKE, no PWM, no interrupt
`,
    pins: {
      D6: 'in out pwm spi0.in',
      D7: 'in out pwm spi0.out',
      D8: 'in out pwm spi0.select',
      A0: 'in out adc0.0',
      GPIO16: 'in out',
    },
    marks: { D8: 'strap low' },
  },
  {
    name: 'a third draw: numbers alone under the head of their name',
    text: `GPIO | Function | Strapping
15 | ADC2_CH4, SPI1_CS | HIGH
2 | ADC2_CH2, LED | LOW
16 | UART2_RX |`,
    pins: { GPIO15: 'in out adc2.4 spi1.select', GPIO2: 'in out adc2.2', GPIO16: 'in out uart2.rx' },
    marks: { GPIO15: 'strap high', GPIO2: 'strap low' },
  },
  {
    name: 'a third draw: places and strokes',
    text: `1: VCC
2: PA2/ADC_IN2/USART2_TX
3: PA3/ADC_IN3/USART2_RX
4: PA9/I2C1_SCL/TIM1_CH2
5: PA10/I2C1_SDA/TIM1_CH3
6: GND`,
    pins: {
      PA2: 'in out adc0.2 uart2.tx',
      PA3: 'in out adc0.3 uart2.rx',
      PA9: 'in out i2c1.scl pwm',
      PA10: 'in out i2c1.sda pwm',
    },
  },
  {
    name: 'a third draw: commas, and the other name of the bus',
    text: `Name,Alternate functions
P3,"UART0_TXD; PWM2"
P4,"UART0_RXD; PWM3"
P5,"TWI0_SDA; ADC5"
P6,"TWI0_SCL; ADC6"`,
    pins: {
      P3: 'in out uart0.tx pwm2',
      P4: 'in out uart0.rx pwm3',
      P5: 'in out i2c0.sda adc0.5',
      P6: 'in out i2c0.scl adc0.6',
    },
  },
];

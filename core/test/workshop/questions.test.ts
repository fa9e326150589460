import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { type Answer, type Answers, answersOf } from '../../src/workshop/answers.ts';
import { classFor } from '../../src/workshop/class-for.ts';
import { cardOf } from '../../src/workshop/build.ts';
import { CLASS_IDS, type ClassId } from '../../src/card/part-class.ts';
import { judge } from '../../src/workshop/judge.ts';
import { readPinTable } from '../../src/workshop/pin-table/read.ts';
import { proposeController, proposeParts } from '../../src/workshop/propose.ts';
import { moreOf, openQuestions, questionsOf, withAnswer, withAssumed } from '../../src/workshop/questions.ts';
import { library } from '../support/demo.ts';
import { planOf } from '../support/matrix.ts';

const SHEET = { kind: 'datasheet', title: 'the sheet', page: 4 } as const;
const MEMORY = { kind: 'memory', title: 'the drawer' } as const;

/** Goes through the questions as a person would: answers what is known, goes on where it is not. */
function entered(cls: ClassId, begun: Answers, known: Readonly<Record<string, Answer['said']>>) {
  let answers = begun;
  let given = 0;
  const passed = new Set<string>();
  for (;;) {
    const [next] = openQuestions(cls, answers).filter(({ places }) => !passed.has(places.join()));
    if (!next) break;
    const said = next.places.map((place) => known[place]).find((one) => one !== undefined) ?? known[next.pattern];
    if (said === undefined) passed.add(next.places.join());
    else {
      answers = withAnswer(answers, next, { said, source: SHEET });
      given++;
    }
  }
  return { given, built: cardOf(withAssumed(cls, answers, 'what such parts have'), `own-${cls}`, 1, MEMORY) };
}

function cardIn(built: ReturnType<typeof cardOf>): Card {
  if (!built.ok) throw new Error(JSON.stringify([built.problems, built.missing], null, 1));
  return built.card;
}

const SENSOR = {
  name: 'My humidity board',
  class: 'humidity breakout',
  'supplies/*/range': '2.4 to 5.5 V',
  'supplies/*/absoluteMax': '≤ 6 V',
  'supplies/*/current/idle': '2 µA',
  'supplies/*/current/active': '600 µA',
  'signals/*/fittedPullUp/value': '10 kΩ',
  'signals/*/fittedPullUp/to': 'vin',
  'signals/*/fittedPullUp/removable': 'jumper',
  'ports/*/addresses': [
    ['0x44', 'ADDR open'],
    ['0x45', 'ADDR to VIN'],
  ],
  'ports/*/clock': '≤ 400 kHz',
  'ports/*/reading/bytes': '6',
  measures: [
    ['air humidity', '%RH'],
    ['air temperature', '°C'],
  ],
  'measures/air humidity/range': '0 to 100',
  'measures/air humidity/accuracy': [['0', '100', '3', '']],
  'measures/air temperature/range': '−40 to 125',
  'measures/air temperature/accuracy': [['-40', '125', '0.4', '']],
  'measures/*/interval': '1 s',
  'body/ambient': '−40 to 125 °C',
  'body/size/length': '18 mm',
  'body/size/width': '12 mm',
  offers: [['the market', '6.5', 'EUR', '1', '3', '', '5', '', 'no']],
};

/** What tells a part apart, or is drawn: no proof rests on it. */
/** What names the part, and what its program is told. */
const TELLING = ['body/size/length', 'class', 'display/columns', 'display/of', 'display/rows', 'name', 'serves'];

describe('a part from its class', () => {
  it('asks each thing once, and nothing that is not asked of its kind', () => {
    for (const cls of CLASS_IDS) {
      const begun = proposeParts(cls, [{ kind: 'male', text: 'VCC GND SDA SCL' }]);
      const places = questionsOf(cls, begun).flatMap((question) => question.places);
      expect(places.length, cls).to.equal(new Set(places).size);
    }
    const contact = questionsOf('contact', proposeParts('contact', [{ kind: 'male', text: '1 2' }]));
    expect(contact.filter(({ pattern }) => /address|output/.test(pattern))).to.deep.equal([]);
  });

  it('asks nothing that no check reads, but for what the part is called, what it does for a person and what its program is told', () => {
    const begun = [...library.values()].map((card) => [classFor(card), answersOf(card)] as const);
    const idle = begun.flatMap(([cls, answers]) =>
      questionsOf(cls, answers).flatMap(({ pattern, asks }) => (asks.length === 0 ? [pattern] : [])),
    );
    expect([...new Set(idle)].sort()).to.deep.equal(TELLING);
  });

  it('opens every card that ships in the form of its class, with nothing of it out of reach', () => {
    for (const card of library.values()) {
      const answers = answersOf(card);
      const cls = classFor(card);
      const reached = [...questionsOf(cls, answers), ...moreOf(cls, answers)].flatMap(({ places }) => places);
      expect(reached.length, card.id).to.equal(new Set(reached).size);
      const lost = [...answers.keys()].filter((place) => !reached.includes(place));
      expect(lost, card.id).to.deep.equal([]);
    }
    expect(new Set([...library.values()].map(classFor)).size, 'classes in use').to.be.at.least(CLASS_IDS.length - 1);
  });

  it('says which checks ask for a figure, and what is taken where nobody knows', () => {
    const begun = proposeParts('bus-sensor', [{ kind: 'male', text: 'VIN GND SCL SDA ADDR' }]);
    const low = questionsOf('bus-sensor', begun).find(({ pattern }) => pattern === 'signals/*/outputLow');
    expect(low?.asks).to.include('level/low');
    expect(low?.assumed).to.equal('≤ 0.4 V');
    expect(low?.places, 'both lines at once').to.deep.equal(['signals/scl/outputLow', 'signals/sda/outputLow']);
  });

  it('enters a plain sensor on a bus with at most 25 answers, and uses it in a plan that is verified', () => {
    const begun = proposeParts('bus-sensor', [{ kind: 'male', text: 'VIN=VCC GND SCL SDA ADDR' }]);
    const { given, built } = entered('bus-sensor', begun, SENSOR);
    const card = cardIn(built);
    expect(judge(card)).to.deep.equal([]);
    expect(given).to.be.at.most(25);
    expect(card.terminals.map(({ role }) => role)).to.deep.equal(['supply', 'ground', 'signal', 'signal', 'unused']);
    const board = library.get('wifi-board');
    if (!board) throw new Error('no board');
    expect(graveOf(verdictWith(card, board))).to.deep.equal([]);
  });

  it('enters a controller with two rows from its table of pins with at most 60 answers', () => {
    const { given, built } = entered('controller', controllerBegun(), CONTROLLER);
    const card = cardIn(built);
    expect(given).to.be.at.most(60);
    expect(judge(card)).to.deep.equal([]);
    expect(card.controller?.pins.find(({ terminal }) => terminal === 'gpio0')?.strap?.level).to.equal('high');
    const sensor = library.get('humid-strap');
    if (!sensor) throw new Error('no sensor');
    expect(graveOf(verdictWith(sensor, card))).to.deep.equal([]);
  });
});

/** The smallest build with a part and a controller, completed. */
function verdictWith(card: Card, controller: Card) {
  const source = library.get('adapter-5v');
  if (!source) throw new Error('no adapter');
  const plan = planOf({ name: 'own', card, controller, source, by: 'adapter' });
  const of = new Map([...library, [card.id, card], [controller.id, controller]]);
  return complete(deriveCircuit(documentOf(plan, [], of)), of).verdict;
}

const graveOf = ({ findings }: ReturnType<typeof verdictWith>) =>
  findings.flatMap(({ severity, check, subjects }) =>
    severity === 'danger' || severity === 'fault' ? [`${check} ${subjects.join()}`] : [],
  );

const controllerBegun = () =>
  proposeController(
    [
      {
        kind: 'male',
        text: '3V3 EN GPIO36 GPIO39 GPIO34 GPIO35 GPIO32 GPIO33 GPIO25 GPIO26 GPIO27 GPIO14 GPIO12 GND VIN',
      },
      {
        kind: 'male',
        text: 'GPIO23 GPIO22 GPIO1 GPIO3 GPIO21 GPIO19 GPIO18 GPIO5 GPIO17 GPIO16 GPIO4 GPIO2 GPIO0 GND GND',
        across: '22.86 mm',
      },
    ],
    readPinTable(`
GPIO36 | ADC1_CH0 | input only, no pull-up
GPIO39 | ADC1_CH3 | input only, no pull-up
GPIO34 | ADC1_CH6 | input only, no pull-up
GPIO35 | ADC1_CH7 | input only, no pull-up
GPIO32 | ADC1_CH4, PWM |
GPIO33 | ADC1_CH5, PWM |
GPIO25 | DAC1, ADC2_CH8, PWM |
GPIO26 | DAC2, ADC2_CH9, PWM |
GPIO27 | ADC2_CH7, PWM |
GPIO14 | ADC2_CH6, PWM |
GPIO12 | ADC2_CH5, PWM | must be low at boot
GPIO23 | SPI0_MOSI, PWM |
GPIO22 | I2C0_SCL, PWM |
GPIO1 | U0TXD | console
GPIO3 | U0RXD | console
GPIO21 | I2C0_SDA, PWM |
GPIO19 | SPI0_MISO, PWM |
GPIO18 | SPI0_SCK, PWM |
GPIO5 | SPI0_CS, PWM |
GPIO17 | U1TXD, PWM |
GPIO16 | U1RXD, PWM |
GPIO4 | ADC2_CH0, PWM |
GPIO2 | ADC2_CH2, PWM | must be low at boot
GPIO0 | PWM | must be high at boot
All GPIO pins can raise an interrupt.
`),
  );

const CONTROLLER = {
  name: 'My radio board',
  class: '3.3 V controller board with a radio',
  'supplies/*/range': '4.5 to 5.5 V',
  'supplies/*/absoluteMax': '≤ 6 V',
  'supplies/*/current/active': '5 mA',
  'rails/*/voltage': '3.2 / 3.3 / 3.4 V',
  'rails/*/limit': '≥ 500 mA',
  'rails/*/from/by': 'linear',
  'rails/*/from/dropout': '≤ 1.1 V',
  'rails/*/ownLoad/idle': '30 mA',
  'rails/*/ownLoad/active': '80 mA',
  'rails/*/ownLoad/peak': '340 mA',
  'controller/adc/bits': '12',
  'controller/adc/reference': '3.2 to 3.4 V',
  'controller/adc/error': '≤ 2 %',
  'controller/usb/supply': 'vin',
  'controller/usb/by': 'diode',
  'controller/usb/plug': 'micro-B',
  'controller/usb/voltage': '4.75 to 5.5 V',
  'controller/usb/drop': '≤ 0.4 V',
  'controller/usb/limit': '500 mA',
  'body/size/length': '52 mm',
  'body/size/width': '28 mm',
  'body/ambient': '−40 to 85 °C',
  offers: [['the market', '9', 'EUR', '1', '3', '', '5', '', 'no']],
};

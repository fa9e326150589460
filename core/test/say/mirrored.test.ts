import { expect } from 'chai';
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import { planned } from '../../src/bench/virtual-build.ts';
import { verify } from '../../src/check/verify.ts';
import { PORT_LINES } from '../../src/card/protocol.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { isMessage, type Datum, type Message } from '../../src/quantity/message.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { ENGLISH } from '../../src/say/english/index.ts';
import { speaker, type Speaker } from '../../src/say/render.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { demo, library, PLANS } from '../support/demo.ts';
import { mirroredLanguage } from '../support/mirrored.ts';
import { randomPlan } from '../support/random-plan.ts';

/** Every message in a value, however deep. */
function messagesIn(value: unknown, found: Message[] = [], seen = new Set<object>()): Message[] {
  if (typeof value !== 'object' || value === null || seen.has(value)) return found;
  seen.add(value);
  if (isMessage(value as Datum)) found.push(value as Message);
  const inside = value instanceof Map ? value.values() : Object.values(value);
  for (const each of inside) messagesIn(each, found, seen);
  return found;
}

/** What is data already: names that makers, sellers and makers of cards gave. */
const NAMED = new Set([
  'name',
  'label',
  'setting',
  'supplier',
  'says',
  'place',
  'id',
  'parameter',
  'plug',
  'meaning',
  'what',
  'by',
  'system',
]);
function namesIn(value: unknown, key = '', found = new Set<string>(), seen = new Set<object>()): Set<string> {
  if (typeof value === 'string' && NAMED.has(key)) found.add(value);
  if (typeof value !== 'object' || value === null || seen.has(value)) return found;
  seen.add(value);
  if (value instanceof Map) for (const [k, each] of value) (found.add(String(k)), namesIn(each, '', found, seen));
  else if (Array.isArray(value)) for (const each of value) namesIn(each, key, found, seen);
  else for (const [k, each] of Object.entries(value)) namesIn(each, k, found, seen);
  return found;
}

/** Signs of units, and of the lines and pins of standards. */
const SIGNS =
  /(?<![A-Za-z])(?:[GMkmµnp]?(?:V|A|Ω|F|Hz|s|m|W|Ah|Wh|H|g|J)(?:\/(?:m|m²|K|°C|%RH|lx|ppm|Pa|kg|g|mm))?|K|°C|K\/W|W\/K|ppm|lx|min|h|Pa|hPa|RH|l|bit|EUR|[a-z0-9]+\.(?:sda|scl|clk|in|out|tx|rx)|x[0-9A-F]{2,}|ln|C|E\d+|mm)(?![A-Za-z])/g;

interface Seen {
  readonly circuit: Circuit;
  readonly said: unknown;
}

/** Plans, what is said of them, and what comes out of them. */
function* told(): Generator<Seen> {
  for (const name of PLANS) {
    const circuit = deriveCircuit(demo(name));
    const verdict = verify(circuit);
    const build = buildOf(circuit);
    const bench = build.layout && planned(circuit, build.layout);
    yield {
      circuit,
      said: [
        verdict,
        build,
        bench && [bringUpSheet(bench), faultsOf(bench)],
        verdict.findings.slice(0, 8).map((finding) => proposeRemedies(circuit, verdict, finding, library)),
        complete(circuit, library),
      ],
    };
  }
  for (let seed = 1; seed <= 60; seed++) {
    const circuit = deriveCircuit(randomPlan(seed, 3 + (seed % 6)));
    const verdict = verify(circuit);
    const [first] = verdict.findings;
    yield {
      circuit,
      said: [verdict, circuit.nets, circuit.rails, first && proposeRemedies(circuit, verdict, first, library)],
    };
  }
}

describe('a second language', () => {
  let other: Speaker;
  before(async () => {
    other = speaker(await mirroredLanguage());
  });

  it('has every topic and message of the first', async () => {
    const language = await mirroredLanguage();
    for (const [topic, { says }] of Object.entries(ENGLISH))
      expect(Object.keys(language[topic]?.says ?? {}), topic).to.deep.equal(Object.keys(says));
  });

  it('says everything without a word of the first', function () {
    this.timeout(300_000);
    const left = new Map<string, string>();
    let count = 0;
    const names = namesIn([...library.values()]);
    for (const { circuit, said } of told()) {
      const own = namesIn([circuit.plan, [...circuit.cards.values()]], '', new Set(names));
      // Resistors of plans go by their ids, lines by those of their protocol.
      for (const { topic, data } of messagesIn(said))
        if (topic === 'circuit/helper-legs' || topic === 'circuit/net-load')
          for (const id of [data.id, data.helper]) if (typeof id === 'string') own.add(id);
      for (const lines of Object.values(PORT_LINES)) for (const line of Object.keys(lines)) own.add(line);
      const longest = [...own]
        .filter((name) => /[A-Za-z]/.test(name))
        .toSorted((a, b) => b.length - a.length)
        .map((name) => new RegExp(`(?<![A-Za-z])${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![A-Za-z])`, 'gi'));
      for (const message of messagesIn(said)) {
        count += 1;
        let text = other.say(message);
        for (const name of longest) text = text.replace(name, '·');
        const rest = text.replace(SIGNS, '·').match(/[A-Za-z]{2,}/g);
        if (rest) left.set(`${message.topic} ${message.id}: ${rest.join(' ')}`, other.say(message));
      }
    }
    expect(count).to.be.above(5000);
    expect([...left.keys()].slice(0, 400)).to.deep.equal([]);
  });
});

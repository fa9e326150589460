import { expect } from 'chai';
import { readCatalogue } from '@idle-breadboard/catalogue';
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { settleAddresses } from '../../src/solve/addresses.ts';
import { documentOf } from '../../src/plan/document.ts';
import { demo } from '../support/demo.ts';

const library = readCatalogue();
const verified = demo('cupboard-verified');
const place = { name: 'cupboard', water: 'dry' as const, outdoors: false, closed: true, lead: 1.5 };

describe('adding a part', () => {
  const circuit = deriveCircuit({ ...verified, plan: { ...verified.plan, places: [place] } });
  it('gives it the leads that its place asks for, a feed, a bus and a free address', () => {
    const { plan, part } = addPart(circuit, library, library.get('humid-strap') as Card, 'spare', ['co2']);
    const added = plan.parts.find(({ id }) => id === part);
    // The leads follow from the place: said once, and never out of step with it.
    expect(added?.lead).to.equal(undefined);
    const derived = deriveCircuit(documentOf(plan, verified.cards, library));
    expect(derived.parts.get(part)?.choice?.lead).to.equal(1.5);
    expect(added?.ports.i2c?.bus).to.equal('i2c');
    expect(Object.keys(added?.feeds ?? {})).to.deep.equal(['vcc']);
    expect(addPart(circuit, library, library.get('humid-strap') as Card, 'spare').plan.parts.at(-1)?.lead).to.equal(
      undefined,
    );
  });
});

describe('settling addresses', () => {
  const circuit = deriveCircuit(verified);
  it('leaves a plan without a clash as it is', () =>
    expect(settleAddresses(verified.plan, library)).to.deep.equal(verified.plan));
  it('moves a strap before it adds a bus, and adds one when no strap is left', () => {
    // 0x44 and 0x45 are both taken on the shelf bus.
    const one = addPart(circuit, library, library.get('humid-fixed') as Card, 'third').plan;
    const settled = settleAddresses(one, library);
    const answers = settled.parts.flatMap((part) =>
      Object.values(part.ports).flatMap(({ bus, address }) =>
        bus && address !== undefined ? [`${bus} ${address}`] : [],
      ),
    );
    expect(new Set(answers).size).to.equal(answers.length);
    expect(settled.buses.filter(({ protocol }) => protocol === 'i2c')).to.have.length(2);
    const strapped = addPart(circuit, library, library.get('display-dot-3v') as Card, 'second display').plan;
    expect(settleAddresses(strapped, library).buses).to.have.length(verified.plan.buses.length);
    expect(deriveCircuit(documentOf(settled, [], library)).buses.length).to.equal(3);
  });
});

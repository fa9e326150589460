import { expect } from 'chai';
import { readPart, writePart } from '../../src/format/part-file.ts';
import { type Answers, answersOf } from '../../src/workshop/answers.ts';
import { cardOf } from '../../src/workshop/build.ts';
import { CLASS_IDS } from '../../src/card/part-class.ts';
import { proposeParts } from '../../src/workshop/propose.ts';
import { anyCard } from '../support/any-card.ts';
import { library } from '../support/demo.ts';
import { random } from '../support/pin-case.ts';

const MEMORY = { kind: 'memory', title: 'the drawer' } as const;

describe('a part file', () => {
  it('holds every card that ships, sources included', () => {
    for (const card of library.values()) {
      const answers = answersOf(card);
      const read = readPart(writePart({ id: card.id, revision: card.revision, cls: null, answers }));
      expect(read?.answers, card.id).to.deep.equal(answers);
      expect([read?.id, read?.revision]).to.deep.equal([card.id, card.revision]);
    }
  });

  it('holds whatever may be said, on 200 cards drawn from the schema', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const answers = answersOf(anyCard(random(seed * 104_729)));
      const read = readPart(writePart({ id: 'drawn', revision: 1, cls: null, answers }));
      // A table without rows and a list without names are written alike: both say nothing.
      const plain = (all: Answers | null | undefined) =>
        [...(all ?? [])].map(([place, { said, source }]) => [place, said.length === 0 ? '' : said, source]);
      expect(plain(read?.answers), `card ${seed}`).to.deep.equal(plain(answers));
    }
  });

  it('is a skeleton of each class, in which comments say what is asked and who for', () => {
    for (const cls of CLASS_IDS) {
      const answers = proposeParts(cls, [{ kind: 'male', text: 'VIN GND SCL SDA' }]);
      const text = writePart({ id: 'mine', revision: 1, cls, answers });
      const read = readPart(text);
      expect(read?.cls).to.equal(cls);
      expect(read?.answers, cls).to.deep.equal(new Map(answers));
      // What is still open is there as a comment, to be filled in.
      const filled = readPart(text.replace('# name:', 'name: Mine').replace('# class:', 'class: a part'));
      expect(filled?.answers.get('name')?.said).to.equal('Mine');
    }
  });

  it('says what is missing from a skeleton, by its place', () => {
    const read = readPart(
      writePart({
        id: 'mine',
        revision: 1,
        cls: 'bus-sensor',
        answers: proposeParts('bus-sensor', [{ kind: 'male', text: 'VIN GND SCL SDA' }]),
      }),
    );
    const built = cardOf(read?.answers ?? new Map(), 'mine', 1, MEMORY);
    const places = built.ok ? [] : built.missing.map(({ place }) => place);
    expect(places).to.include.members(['name', 'supplies/vin/range', 'supplies/vin/current/active']);
  });

  it('takes no other file for one of its own', () => {
    for (const text of ['', '{}', 'name: x', 'idle-breadboard/part', 'idle-breadboard/part: A B'])
      expect(readPart(text), text).to.equal(null);
  });
});

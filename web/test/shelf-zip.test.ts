/** A whole shelf as one file: it comes back as it was, and nothing of it where anything is wrong. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import type { Card } from '@idle-breadboard/core/card';
import { readPlan } from '@idle-breadboard/core/files';
import { say } from '@idle-breadboard/core/words';
import { openDraft } from '@idle-breadboard/core/workshop';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { unzipShelf, zipShelf } from '../src/lib/store/shelf-zip';
import type { WholeShelf } from '../src/lib/store/whole';

const names = ['cupboard-first-draft', 'rain-barrel'];
const documents = names.map((name) => {
  const read = readPlan(readFileSync(new URL(`../../catalogue/plans/${name}.json`, import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.value;
});
const [card] = documents.flatMap(({ cards }) => cards) as [Card];
const at = '2026-05-04T03:02:01.000Z';

const whole: WholeShelf = {
  plans: documents.map(({ plan, cards }, i) => ({
    id: plan.id,
    changed: 1_700_000_000_000 + i,
    history: {
      // Of one card two revisions, as after a later one was taken.
      cards: [...cards, { ...(cards[0] as Card), revision: (cards[0]?.revision ?? 0) + 1 }],
      steps: [
        { plan, why: 'opened' },
        { plan: { ...plan, name: 'Named “anew”' }, why: 'name the plan' },
      ],
      at: i,
      dropped: 3 * i,
    },
  })),
  cards: [card, { ...card, revision: card.revision + 1 }],
  log: [
    {
      id: 'a/b c',
      plan: documents[0]?.plan.id ?? '',
      build: 1,
      at,
      kind: 'note',
      fingerprint: 'f',
      title: 'n',
      text: '⌁',
    },
    { id: 'p', plan: documents[0]?.plan.id ?? '', build: 1, at, kind: 'photo', fingerprint: 'f', title: 'photo' },
  ],
  photos: [
    {
      id: 'p',
      plan: documents[0]?.plan.id ?? '',
      image: new Blob([new Uint8Array([1, 2, 250])], { type: 'image/png' }),
    },
  ],
  drafts: [
    {
      id: 'd-1',
      changed: 5,
      draft: openDraft(card),
      card: null,
      typing: { name: 'Hal' },
      source: { kind: 'memory', title: 'entered by hand' },
      stock: 2,
      sheet: null,
    },
  ],
  partPhotos: [{ id: 'd-1', image: new Blob(['x'], { type: 'image/jpeg' }) }],
  reviews: [],
  documents: [{ id: 'r', data: new Blob(['%PDF'], { type: 'application/pdf' }) }],
  settings: { stock: '{"x":2}', theme: 'dark' },
};

/** Blobs as what they hold. */
async function plain(shelf: WholeShelf) {
  const open = async (blob: Blob) => [blob.type, [...new Uint8Array(await blob.arrayBuffer())]];
  return {
    ...shelf,
    photos: await Promise.all(shelf.photos.map(async ({ image, ...rest }) => ({ ...rest, image: await open(image) }))),
    partPhotos: await Promise.all(shelf.partPhotos.map(async ({ id, image }) => ({ id, image: await open(image) }))),
    documents: await Promise.all(shelf.documents.map(async ({ id, data }) => ({ id, data: await open(data) }))),
  };
}
const sorted = (cards: readonly Card[]) => [...cards].sort((a, b) => (a.id + a.revision < b.id + b.revision ? -1 : 1));

describe('a whole shelf as one file', () => {
  it('comes back as it was', async () => {
    const read = await unzipShelf(await zipShelf(whole, new Date(at)));
    if (!read.ok) throw new Error(read.problems.map(({ path, message }) => `${path}: ${say(message)}`).join('; '));
    const [back, before] = [await plain(read.value), await plain(whole)];
    expect({ ...back, plans: [], cards: sorted(back.cards) }).to.deep.equal({
      ...before,
      plans: [],
      cards: sorted(before.cards),
    });
    expect(
      back.plans.map((plan) => ({ ...plan, history: { ...plan.history, cards: sorted(plan.history.cards) } })),
    ).to.deep.equal(
      before.plans.map((plan) => ({ ...plan, history: { ...plan.history, cards: sorted(plan.history.cards) } })),
    );
  });

  it('has a plan file for each plan that is read like any other', async () => {
    const files = unzipSync(await zipShelf(whole, new Date(at)));
    for (const { plan } of documents) {
      const read = readPlan(strFromU8(files[`plans/${plan.id}/plan.json`] ?? new Uint8Array()));
      expect(read.ok && read.value.plan.id).to.equal(plan.id);
    }
  });

  it('is refused whole, and says which file is wrong, wherever one is cut, gone or changed', async function () {
    this.timeout(60_000);
    const files = unzipSync(await zipShelf(whole, new Date(at)));
    // What is there for people alone is not read.
    const read = Object.keys(files).filter((name) => name.endsWith('.json') && !name.endsWith('/plan.json'));
    const kinds = new Map(read.map((name) => [name.replace(/[^/]*$/, '') + (/log|shelf/.exec(name)?.[0] ?? ''), name]));
    for (const name of kinds.values()) {
      const cut = { ...files, [name]: (files[name] ?? new Uint8Array()).slice(0, 40) };
      const found = await unzipShelf(zipSync(cut));
      expect(found.ok, name).to.equal(false);
      if (!found.ok)
        expect(
          found.problems.some(({ path }) => path.startsWith(name)),
          name,
        ).to.equal(true);
    }
    for (const gone of ['shelf.json', 'photos/p', 'documents/r', 'drafts/d-1.json']) {
      const { [gone]: _, ...rest } = files;
      expect((await unzipShelf(zipSync(rest))).ok, gone).to.equal(false);
    }
    const evil = {
      ...files,
      'shelf.json': strToU8(strFromU8(files['shelf.json'] ?? new Uint8Array()).replace('"at": 1', '"at": 7')),
    };
    expect((await unzipShelf(zipSync(evil))).ok).to.equal(false);
    expect((await unzipShelf(strToU8('no archive'))).ok).to.equal(false);
  });
});

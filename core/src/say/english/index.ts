/** English. A second language is a second record of the same topics. */
import type { CheckId } from '../../check/registry.ts';
import type { Language, RuleWords } from '../language.ts';
import { analog } from './analog.ts';
import { body } from './body.ts';
import { bus } from './bus.ts';
import { circuit } from './circuit.ts';
import { figure } from './figure.ts';
import { drive } from './drive.ts';
import { levels } from './levels.ts';
import { need } from './need.ts';
import { physics } from './physics.ts';
import { pins } from './pins.ts';
import { plan } from './plan.ts';
import { problem } from './problem.ts';
import { supply } from './supply.ts';
import { supplyCurrent } from './supply-current.ts';
import { supplyVoltage } from './supply-voltage.ts';
import { terms } from './terms.ts';
import { bench } from './bench.ts';
import { bringUp } from './bring-up.ts';
import { compare } from './compare.ts';
import { deliver } from './deliver.ts';
import { layout } from './layout.ts';
import { next } from './next.ts';
import { overview } from './overview.ts';
import { read } from './read.ts';
import { remedy } from './remedy.ts';
import { remedyMore } from './remedy-more.ts';
import { routes } from './routes.ts';
import { sheet } from './sheet.ts';
import { solve } from './solve.ts';
import { wire } from './wire.ts';
import { word } from './word.ts';
import { workshop } from './workshop.ts';
import { workshopFacts } from './workshop-facts.ts';

export const ENGLISH = {
  ...need,
  ...levels,
  ...analog,
  ...bus,
  ...wire,
  ...pins,
  ...drive,
  ...supplyVoltage,
  ...supplyCurrent,
  ...supply,
  ...body,
  ...terms,
  ...circuit,
  ...physics,
  ...bench,
  ...bringUp,
  ...compare,
  ...deliver,
  ...layout,
  ...next,
  ...overview,
  ...remedy,
  ...remedyMore,
  ...solve,
  ...word,
  ...workshop,
  ...workshopFacts,
  ...figure,
  ...plan,
  ...read,
  ...routes,
  ...sheet,
  ...problem,
} satisfies Language & { readonly [Check in CheckId]: { readonly rule: RuleWords } };

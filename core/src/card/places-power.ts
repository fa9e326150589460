/** Figures of what a card draws, gives, and turns to heat: the part of `figuresOf` about power. */
import type { Card } from './card.ts';
import type { Figure } from './figure.ts';
import type { States, Thermal } from './power.ts';

type Put = (place: string, title: string, figure: Figure | undefined) => void;

const STATE_TITLES = {
  sleep: 'asleep',
  idle: 'idle',
  warmUp: 'warming up',
  active: 'active',
  peak: 'peak',
} as const;

function states(put: Put, at: string, name: string, current: States): void {
  for (const [key, title] of Object.entries(STATE_TITLES))
    put(`${at}/${key}`, `${name} current, ${title}`, current[key as keyof typeof STATE_TITLES]);
  put(`${at}/busy`, `${name}, time of one piece of work`, current.busy);
  for (const stage of current.stages ?? []) {
    put(`${at}/stages/${stage.name}/current`, `${name} current, ${stage.name}`, stage.current);
    put(`${at}/stages/${stage.name}/time`, `${name}, time ${stage.name}`, stage.time);
  }
  for (const clock of current.clocks ?? []) {
    const title = `${name} current at ${clock.frequency / 1e6} MHz`;
    put(`${at}/clocks/${clock.frequency}/idle`, `${title}, idle`, clock.idle);
    put(`${at}/clocks/${clock.frequency}/active`, `${title}, active`, clock.active);
  }
}

function heat(put: Put, at: string, name: string, thermal: Thermal | undefined): void {
  put(`${at}/toAir`, `${name}, thermal resistance to the air`, thermal?.toAir);
  put(`${at}/toCase`, `${name}, thermal resistance to the case`, thermal?.toCase);
  put(`${at}/limit`, `${name}, hottest junction`, thermal?.limit);
}

export function supplyFigures(card: Card, put: Put): void {
  for (const s of card.supplies) {
    const at = `supplies/${s.id}`;
    put(`${at}/range`, `${s.id} supply`, s.range);
    put(`${at}/absoluteMax`, `${s.id} supply, absolute maximum`, s.absoluteMax);
    states(put, `${at}/current`, s.id, s.current);
    put(`${at}/capacitance`, `${s.id} supply, capacitance on the part`, s.capacitance);
  }
  for (const r of card.rails ?? []) {
    const at = `rails/${r.id}`;
    put(`${at}/voltage`, `${r.name}, voltage`, r.voltage);
    put(`${at}/limit`, `${r.name}, most current`, r.limit);
    put(`${at}/reserve`, `${r.name}, capacitance on the part`, r.reserve);
    put(`${at}/response`, `${r.name}, answers a gust after`, r.response);
    put(`${at}/staysOn`, `${r.name}, switches off below`, r.staysOn);
    put(`${at}/cells/charge`, `${r.name}, most charging current`, r.cells?.charge);
    put(`${at}/panel`, `${r.name}, power in full sun`, r.panel?.power);
    put(`${at}/cells/fuse`, `${r.name}, fuse of the cells`, r.cells?.fuse);
    put(`${at}/from/switchCurrent`, `${r.name}, most current of its switch`, r.from?.switchCurrent);
    put(`${at}/from/dropout`, `${r.name}, dropout`, r.from?.dropout);
    put(`${at}/from/drop`, `${r.name}, lost on the way`, r.from?.drop);
    put(`${at}/from/quiescent`, `${r.name}, what the regulator takes`, r.from?.quiescent);
    heat(put, `${at}/from/thermal`, r.name, r.from?.thermal);
    if (r.ownLoad) states(put, `${at}/ownLoad`, `the board on ${r.name},`, r.ownLoad);
    put(`${at}/cells/capacity`, `${r.name}, charge of the cells`, r.cells?.capacity);
    put(`${at}/cells/resistance`, `${r.name}, resistance of the cells`, r.cells?.resistance);
    put(`${at}/cells/cutOff`, `${r.name}, empty at`, r.cells?.cutOff);
    put(`${at}/cells/protection`, `${r.name}, cuts itself off at`, r.cells?.protection?.cutsAt);
    put(`${at}/cells/selfDischarge`, `${r.name}, lost in a year on the shelf`, r.cells?.selfDischarge);
    put(`${at}/port/before`, `${r.name}, current before it was asked`, r.port?.before);
  }
}

export function contactFigures({ contact }: Card, put: Put): void {
  for (const kind of ['direct', 'alternating'] as const) {
    put(`contact/${kind}/voltage`, `contact, most voltage, ${kind}`, contact?.[kind]?.voltage);
    put(`contact/${kind}/current`, `contact, most current, ${kind}`, contact?.[kind]?.current);
  }
  put('contact/inrush', 'contact, most current for a moment', contact?.inrush);
}

export function driverFigures({ driver }: Card, put: Put): void {
  if (!driver) return;
  put('driver/voltage', 'driver, most voltage', driver.voltage);
  put('driver/current', 'driver, most current', driver.current);
  put('driver/switchOff', 'driver, time to switch off', driver.switchOff);
  put('driver/bipolar/base', 'base to emitter', driver.bipolar?.base);
  put('driver/bipolar/saturation', 'collector to emitter, saturated', driver.bipolar?.saturation);
  put('driver/bipolar/gain', 'current gain', driver.bipolar?.gain);
  put('driver/onResistance', 'driver, resistance when on', driver.onResistance);
  put('driver/gate', 'driver, gate voltage for that resistance', driver.gate);
  heat(put, 'driver/thermal', 'driver', driver.thermal);
}

import { demo, library } from './support/demo.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { documentOf } from '../src/plan/document.ts';
import { complete } from '../src/solve/complete/complete.ts';
import { moveController } from '../src/solve/move-controller.ts';
import { applyChanges } from '../src/plan/changes.ts';
for (const name of ['cupboard-first-draft','cupboard-verified','rain-barrel','stairwell']) {
  const { plan, cards } = demo(name);
  const circuit = deriveCircuit({ plan, cards });
  for(const to of [null,'wifi-board','board-8bit','stick-board','stick-mini','linux-board']){
    const card=to&&[...library.values()].find(c=>c.id===to||c.name&&c.kind==='controller'&&c.id.includes(to));
    let c=circuit;
    if(card){ if(card.id===circuit.controller?.card.id)continue; const m=moveController(circuit,library,card)!; c=deriveCircuit(documentOf(m.plan,cards,library)); }
    const t=performance.now();
    const r=complete(c,library);
    console.log('##',name,to??'as is',(performance.now()-t).toFixed(0)+'ms',r.verdict.status,'left',r.left.map(l=>l.check+': '+l.message),r.why?.sentence??'');
    if(r.why)console.log('    ',r.why.relaxations.map(x=>x.label+' '+JSON.stringify(x.goals)));
    if(name==='cupboard-first-draft'&&(!to))console.log(r.changes.map(x=>'   '+x.title).join('\n'));
  }
}

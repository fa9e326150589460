import { demo, library } from './support/demo.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { verify } from '../src/check/verify.ts';
import { documentOf } from '../src/plan/document.ts';
import { encode } from '../src/solve/complete/encode.ts';
import { decode } from '../src/solve/complete/decode.ts';
import { solveJoint } from '../src/solve/joint/search.ts';
import { exclusionOf } from '../src/solve/joint/exclusion.ts';
for (const name of ['cupboard-first-draft','cupboard-verified','rain-barrel','stairwell']) {
  const { plan, cards } = demo(name);
  const circuit = deriveCircuit({ plan, cards });
  for(let k=0;k<2;k++){
  let t=performance.now();
  const e = encode(circuit, library)!;
  const t1=performance.now()-t; t=performance.now();
  const f = solveJoint(e.problem);
  const t2=performance.now()-t;
  if(!k)continue;
  console.log('##',name,'encode',t1.toFixed(0),'solve',t2.toFixed(1),'nodes',f?.nodes,JSON.stringify(f?.goals), 'choices',e.problem.choices.length,'options',e.problem.choices.reduce((s,c)=>s+c.options.length,0));
  if(!f){console.log(JSON.stringify(exclusionOf(e.problem)?.members));continue}
  const next=decode(e,f.taken);
  const v=verify(deriveCircuit(documentOf(next,cards,library)));
  console.log(v.status,v.findings.filter(r=>r.severity!=='note').map(r=>r.severity+' '+r.check+' '+r.message));
  console.log(e.problem.choices.map((c,i)=>c.id+'='+c.options[f.taken[i]!]!.id).filter(x=>!/^line|absent/.test(x)).join('\n   '));
  }
}

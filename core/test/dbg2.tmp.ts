import { demo, library } from './support/demo.ts';
import { deriveCircuit } from '../src/circuit/derive.ts';
import { encode } from '../src/solve/complete/encode.ts';
import { solveJoint } from '../src/solve/joint/search.ts';
for (const name of ['cupboard-first-draft','cupboard-verified']) {
  const { plan, cards } = demo(name);
  const circuit = deriveCircuit({ plan, cards });
  const e = encode(circuit, library)!;
  const counts=new Map<string,number>();
  (globalThis as any).__branch=(c:number,fail:number,bound:number,depth:number)=>{const k=e.problem.choices[c]!.id+' <- '+e.problem.choices[fail]!.id;counts.set(k,(counts.get(k)??0)+1)};
  const f=solveJoint(e.problem);
  console.log(name,f?.nodes,[...counts].sort((a,b)=>b[1]-a[1]).slice(0,25));
}

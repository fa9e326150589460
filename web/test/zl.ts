import { pagesOf } from './score.ts';
import { layOut } from '@idle-breadboard/core';
const [f,pg]=process.argv.slice(2);
for (const p of await pagesOf('/work/main/.cache/datasheets/'+f+'.pdf')) { if(pg&&p.page!==Number(pg))continue; const l=layOut(p); console.log('PAGE',p.page,p.rulings.length); l.regions.forEach((r,i)=>{console.log('-- region',i); r.forEach((x,n)=>console.log(n,x.y.toFixed(0),x.height.toFixed(1),x.words.map(w=>w.text+'@'+w.x0.toFixed(0)).join(' ')))}); }

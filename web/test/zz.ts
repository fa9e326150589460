import { readdirSync } from 'node:fs';
import { score } from '/work/main/web/test/score.ts';
const dir='/work/main/.cache/datasheets/';
const only=process.argv[2]; let W=0,F=0,S=0,X=0;
for (const f of readdirSync(dir).filter(f=>f.endsWith('.pdf')&&(!only||f.startsWith(only)))) {
  const r=await score(dir+f); W+=r.wanted;F+=r.found;S+=r.wrongButSure.length;X+=r.wrong.length;
  console.log(f.padEnd(22), r.found+'/'+r.wanted, 'wrong', r.wrong.length, 'sure-wrong', r.wrongButSure.length);
  if (only) { for (const m of r.missed) console.log('   missed', m.slot,m.quantity??'',m.min,m.typ,m.max,m.unit,m.label??'',JSON.stringify(m.over??''));
   for (const p of r.wrong) console.log('   wrong', p.sureness,p.slot,p.quantity?.quantity??'',p.min,p.typ,p.max,p.unit,p.label??'',JSON.stringify(p.over??''),'|',p.name,'|',p.said,'|',p.doubts.join(';')); }
}
console.log('all',F+'/'+W,(F/W*100).toFixed(1)+'%','wrong',X,'sure-wrong',S);

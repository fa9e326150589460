import { scoreDrawn, totalOf } from '/work/main/web/test/drawn-score.ts';
import { drawSheet } from '/work/main/fixtures/drawn/draw-sheet.mjs';
import { drawTold } from '/work/main/fixtures/drawn/draw-told.mjs';
const [kind,n,seed]=[process.argv[2],Number(process.argv[3]),Number(process.argv[4])];
const draw:any=kind==='told'?drawTold:drawSheet;
const t=Date.now();
const s=await scoreDrawn(Array.from({length:n},(_,i)=>seed+i),draw);
console.log(kind,n,seed,JSON.stringify(totalOf(s)),Date.now()-t,'ms');
const by=new Map<string,number>();for(const x of s)for(const m of x.missed)by.set(m.slot,(by.get(m.slot)??0)+1);
console.log('missed',[...by].sort((a,b)=>b[1]-a[1]).map(x=>x.join(' ')).join(', '));
for(const w of ['browser','groff','library'])console.log(w,JSON.stringify(totalOf(s.filter(x=>x.way===w))));
if(process.env.V){for(const x of s){for(const m of x.missed)console.log('MISS',x.seed,x.way,JSON.stringify(m));for(const p of x.wrong)console.log(p.sureness==='sure'?'SURE':'wrong',x.seed,x.way,p.slot,p.quantity?.quantity??'',p.min??'',p.typ??'',p.max??'',p.unit,'<-',p.said?.slice(0,110));}}
else {for(const x of s)for(const p of x.wrong)if(p.sureness==='sure')console.log('SURE',x.seed,x.way,p.slot,p.quantity?.quantity??'',p.min??'',p.typ??'',p.max??'',p.unit,'<-',p.said?.slice(0,110));}

import { pagesOf } from './score.ts';
import { layOut, contextOf, readPage } from '@idle-breadboard/core';
import { statementsOf } from '../../core/src/card/reader/statements.ts';
import { tablesOf } from '../../core/src/card/reader/tables.ts';
import { sectionsOf } from '../../core/src/card/reader/sections.ts';
import { rowDrafts } from '../../core/src/card/reader/row-proposals.ts';
const [f,pg,what]=process.argv.slice(2);
const l=(await pagesOf('/work/main/.cache/datasheets/'+f+'.pdf')).map(layOut); const ctx=contextOf(l);
for (const p of l) { if(Number(pg)!==p.page) continue; for (const r of p.regions){ const s=sectionsOf(r,''); const t=tablesOf(r,p.rulings,s.at);
 for (const x of t) console.log('TABLE',x.of,x.from,x.to,s.at(x.from),'\n'+x.rows.map(q=>'   '+[q.name,q.symbol,q.conditions,q.cells.min,q.cells.typ,q.cells.max,q.cells.value,q.cells.unit,q.group].join('|')+' => '+rowDrafts(q,ctx).map(d=>d.slot+d.doubts.join(';'))).join('\n'));
 r.forEach((line,i)=>{ if(t.some(x=>i>=x.from&&i<x.to))return; console.log('LINE',i,line.text,'#',s.at(i)); for(const st of statementsOf(line,s.at(i),ctx.mark)) console.log('     ST',st.weak,st.row.name,'|',st.row.symbol,'|',st.row.conditions,'|',st.row.cells.value,'=>',rowDrafts(st.row,ctx).map(d=>d.slot+d.doubts.join(';')));});
}}

import { heldToEveryEdit } from './test/support/impossible.ts';
for (const s of process.argv.slice(2)) { const t=Date.now(); const h=heldToEveryEdit(Number(s)); console.log(s,h.grave,Date.now()-t,JSON.stringify(h.refuted)); }

import { chromium } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { drawSheet } from '../../fixtures/drawn/draw-sheet.mjs';
import { drawTold } from '../../fixtures/drawn/draw-told.mjs';
import { asHtml } from '../../fixtures/drawn/as-html.mjs';
import { writeGroff } from '../../fixtures/drawn/as-groff.mjs';
import { writeLibrary } from '../../fixtures/drawn/as-pdf.mjs';
const [kind,seed]=[process.argv[2],Number(process.argv[3])];
const s:any=kind==='told'?drawTold(seed):drawSheet(seed); console.log(JSON.stringify(s.style));
const way=['browser','groff','library'][seed%3];
if(way==='groff')writeGroff('/tmp/d.pdf',s);else if(way==='library')await writeLibrary('/tmp/d.pdf',s);else{
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox']});const p=await b.newPage();await p.setContent(asHtml(s));writeFileSync('/tmp/d.pdf',await p.pdf({preferCSSPageSize:true}));await b.close();}

import { readFileSync } from 'node:fs';
import { decodeModes } from './src/model/modesFile';
import { ReducedModel } from './src/core/heat/reduced';
import { HeatRun, arcCells } from './src/core/heat/run';
import { opening } from './src/core/heat/opening';
import { defaultPlate, defaultGun, defaultDryer } from './src/core/heat/heater';
import shipped from './src/store/shippedModes.json';
const digests:any=shipped; const m=decodeModes(readFileSync(`public/modes/${digests.ring61}.json`,'utf8'),digests.ring61)!;
const model=new ReducedModel(m); const arcs=arcCells(model,420);
console.log('rank',m.rank,'bond',m.bondSMm.length,'front',m.frontAreaM2.length, 'rows', m.rows.map(r=>r.id+r.count).join(' '));
const marks={battery:{cautionC:60,stopC:80},camera:{cautionC:70,stopC:85},display:{cautionC:75,stopC:85},cover:{cautionC:150,stopC:200}};
for (const [name,h,base] of [['plate',defaultPlate,95],["gun",defaultGun,190],["dryer",defaultDryer,90]] as const){
const ts:number[][]=[];
for(let k=0;k<240;k++){ const t=performance.now(); const run=HeatRun.start(model,h as any,22,[{atS:0,setC:base+k%24,preheated:true}]); const t1=performance.now(); const o=opening({run,fromS:0,arcs,order:[0,1,2],easyC:62,workC:45,upperC:120,marks} as any); const t2=performance.now(); if(k>40) ts.push([t1-t,t2-t1,t2-t]); }
const med=(i:number)=>ts.map(x=>x[i]!).sort((a,b)=>a-b)[2]!.toFixed(2);
console.log(name,med(0),med(1),med(2));}

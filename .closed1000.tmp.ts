import { followAdvice } from '/work/main/core/standIn/closedTest'
const n=Number(process.argv[2]); const t=Date.now()
const r=Array.from({length:n},(_,i)=>followAdvice({seed:(i+0.5)/n,level:'usual',zones:['heel','belly','tip'],aroundDeg:20,widthMm:0.7,setDoubtDeg:0.3},0.5))
const z=r.flatMap(x=>x.zones); const k=z.map(x=>x.knownAfter??Infinity).sort((a,b)=>a-b); const l=r.map(x=>x.looks).sort((a,b)=>a-b)
const within=z.map(x=>x.knownAfter??99)
console.log({n,s:(Date.now()-t)/1000,medianZone:k[k.length>>1],medianLooks:l[n>>1],mean:l.reduce((a,b)=>a+b,0)/n,inside:z.filter(x=>x.inside).length/z.length,half:z.filter(x=>Math.abs(x.offDeg)<=.5).length/z.length,never:within.filter(x=>x===99).length/z.length})

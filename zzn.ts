import { grown, cutAway } from '@kettle/core/areas';
import { polygonArea } from '@kettle/core/geometry';
const tri=[[[0,0],[40,0],[0,30]]] as any;
for (const w of [5.0,5.3,5.4,5.6,5.8,6,6.4,6.9]) { const r=w/2; const o=grown(grown([tri],-r),r); console.log(r, o.length, cutAway([tri],o).map(p=>(polygonArea(p)/r/r).toFixed(2))); }

import { loadFonts, setWords, wordsSchema } from '@kettle/core/lettering';
import { filled, narrowestWidth, inscribedCircle } from '@kettle/core/areas';
import { legibility, measureLetter } from '@kettle/core/whites';
import { distanceMap, inscribedIn, narrowestIn } from './core/src/whites/distance-map.testdata';
const fonts = await loadFonts(); let worst=0; const t0=performance.now();
for (const cap of [5,12]) for (const [id, font] of fonts) for (const ch of 'eaB8R&d') {
  const l = setWords(wordsSchema.parse({ id:'l', text: ch, font: id, capHeightMm: cap, from:[0,100], to:[400,100], archMm:0, slantDeg:0, spacingMm:0, set:'left'}), font).letters[0];
  const m = measureLetter(l); const L = legibility(ch, font, cap, {maskLineMm:.5,brushTipMm:.5}).letters[0];
  const regs = filled(l.contours);
  const b = Math.min(...regs.map(r=>narrowestIn(distanceMap(r, 0.02), 0.97)));
  const holes = regs.flatMap(([,...h])=>h.map(x=>[x]));
  const bc = holes.length? Math.min(...holes.map(h=>inscribedIn(distanceMap(h,0.02)))) : null;
  const e1 = L.strokeMm/b-1, e2 = bc===null? 0 : L.counterMm!/bc-1;
  if (Math.abs(e1)>.03||Math.abs(e2)>.03) console.log(cap,id,ch,'stroke',L.strokeMm.toFixed(3),m.strokeMm.toFixed(3),b.toFixed(3),(100*e1).toFixed(1),'counter',L.counterMm?.toFixed(3),bc?.toFixed(3),(100*e2).toFixed(1));
}
console.log(performance.now()-t0);

import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']});
const p = await b.newPage({viewport:{width:1280,height:800}});
for (let k=0;k<3;k++){ const t=Date.now();
const r = await p.goto('http://127.0.0.1:4399/',{waitUntil:'commit'}); console.log('commit', Date.now()-t); await p.getByRole('listitem').first().waitFor(); console.log('usable', Date.now()-t); await p.getByText('Anemone').waitFor();
console.log(JSON.stringify(await p.evaluate(()=>{const n=performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming; return [n.responseStart,n.responseEnd,n.domInteractive,n.domContentLoadedEventEnd, performance.getEntriesByName('first-contentful-paint')[0]?.startTime]})));
}
await b.close();

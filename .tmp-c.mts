import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']});
const p = await b.newPage({viewport:{width:1280,height:800}}); p.on('console',m=>{ if(m.type()==='error') console.log('C',m.text().slice(0,160))});
await p.goto('http://127.0.0.1:4399/'); // warm
for (let k=0;k<2;k++){ const t=Date.now();
await p.goto('http://127.0.0.1:4399/',{waitUntil:'domcontentloaded'}); await p.getByRole('listitem').first().waitFor(); console.log('usable', Date.now()-t, await p.getByRole('listitem').count());}
await p.waitForTimeout(1500); await p.screenshot({path:'/tmp/s1.png'});
await p.mouse.wheel(0, 200000); await p.waitForTimeout(1200); await p.screenshot({path:'/tmp/s2.png'});
await p.evaluate(()=>scrollTo(0,0));
const t=Date.now(); await p.getByRole('searchbox').pressSequentially('Heavy',{delay:30}); await p.getByText('Heavy weave').waitFor(); console.log('search',Date.now()-t);
await p.waitForTimeout(15000); await p.screenshot({path:'/tmp/s3.png'});
await p.waitForTimeout(40000); await p.screenshot({path:'/tmp/s4.png'});
await b.close();

import { chromium } from '@playwright/test';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']});
const list = await (await fetch('http://127.0.0.1:4399/api/figures?search=heavy')).json();
for (const {id,name} of list.figures) { const p = await b.newPage({viewport:{width:1280,height:800}}); const t=Date.now();
try { await p.goto('http://127.0.0.1:4399/figures/'+id,{timeout:60000}); await p.locator('main[aria-busy=false]').waitFor({timeout:60000}); console.log(name,'ready',Date.now()-t);
await p.waitForTimeout(2000); const t2=Date.now(); await p.evaluate(()=>new Promise(r=>requestAnimationFrame(r)),); console.log('  frame', Date.now()-t2);
const t3=Date.now(); await p.keyboard.press('5'); await p.getByText('Colour').first().waitFor({timeout:30000}); console.log('  key', Date.now()-t3); await p.screenshot({path:`/tmp/h-${name.split(' ')[1]}.png`,timeout:60000});
} catch(e){ console.log(name,'FAIL',(e as Error).message.slice(0,100),Date.now()-t);} await p.close({runBeforeUnload:false}).catch(()=>{}); }
await b.close();

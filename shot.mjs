import { chromium } from '@playwright/test'
import sharp from 'sharp'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const p = await b.newPage({ viewport: { width: 1280, height: 800 } })
p.on('console', m => m.type()==='error' && console.log('ERR', m.text())); p.on('pageerror', e => console.log('PAGEERR', e.message))
await p.goto('http://127.0.0.1:4310/'); 
const href = await p.locator('a[href*="/jobs/"]').evaluateAll((as, n) => [...new Set(as.map(a=>a.getAttribute('href')))].filter(h=>/jobs\/[^/]+/.test(h)), 0)
const ids=[...new Set(href.map(h=>h.match(/jobs\/([^/]+)/)[1]))]
console.log(ids)
const mod = await import(process.argv[2]); await mod.default(p, ids, sharp, b)
await b.close()

import { chromium } from '@playwright/test'
const b = await chromium.launch({ executablePath: '/usr/bin/chromium' })
const c = await b.newContext({ viewport: { width: 1280, height: 800 } })
const p = await c.newPage()
const url = 'http://localhost:3000'
await p.goto(url + '/sign-in')
await p.getByLabel(/mail/i).fill('ada@merrowsound.example'); await p.getByLabel(/password/i).first().fill('skerrow-demo')
await p.getByRole('button', { name: /sign in/i }).click(); await p.waitForURL(/packages/)
for (const [name, path] of JSON.parse(process.argv[2])) {
  await p.goto(url + path); await p.waitForTimeout(1500)
  await p.screenshot({ path: `/tmp/w/${name}.png` })
}
await b.close()

import { text } from 'node:stream/consumers'
import { holdStyles } from './held-styles.ts'

async function sent(...parts: string[]): Promise<string> {
  const stream = holdStyles()
  for (const part of parts) stream.write(Buffer.from(part, 'utf8'))
  stream.end()
  return text(stream)
}

test('attributes of style are renamed, wherever a part of the page ends', async () => {
  const page = '<p style="left:3%">Łódź €</p><b class="x" style="top:1px">é</b>'
  const held = '<p data-style="left:3%">Łódź €</p><b class="x" data-style="top:1px">é</b>'
  expect(await sent(page)).toBe(held)
  for (let i = 1; i < page.length; i++) expect(await sent(page.slice(0, i), page.slice(i))).toBe(held)
})

test('words and scripts that speak of style stay', async () => {
  const page = '<p>a style=&quot;x&quot; of</p><script>enqueue("a style=\\"x\\"")</script> style'
  expect(await sent(page)).toBe(page)
})

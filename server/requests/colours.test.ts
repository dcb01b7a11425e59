import Color from 'color'
import { readFileSync } from 'node:fs'
import { coloursOf, GROUNDS } from './colours.ts'

test('a colour that can be read stays as it is', () => expect(coloursOf('#0d5c6b').light).toBe('#0d5c6b'))

test.each(['#ffee00', '#000000', '#ffffff', '#7f7f7f', '#ff0000', '#00ff88', '#0000ff'])(
  '%s is legible by day and by night',
  (colour) => {
    const { light, dark } = coloursOf(colour)
    expect(Color(light).contrast(Color(GROUNDS.light))).toBeGreaterThanOrEqual(4.5)
    expect(Color(dark).contrast(Color(GROUNDS.dark))).toBeGreaterThanOrEqual(4.5)
  },
)

test('the grounds are those of the page', () => {
  const sheet = readFileSync(new URL('../../app/styles/app.css', import.meta.url), 'utf8')
  expect(sheet).toContain(`--table: ${GROUNDS.light};`)
  expect(sheet).toContain(`--raised: ${GROUNDS.dark};`)
})

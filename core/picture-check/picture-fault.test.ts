import { pictureFault, type GreyPicture } from './index.ts'

const [WIDTH, HEIGHT] = [400, 560]

/** A sheet on a dark table with lines of print on it: bars of a few pixels, as letters are from afar. */
function sheet({ lines = 30, left = 60, margin = 30, paper = 230, ink = 30 } = {}): GreyPicture {
  const grey = new Uint8Array(WIDTH * HEIGHT).fill(60)
  for (let y = margin; y < HEIGHT - margin; y++)
    for (let x = margin; x < WIDTH - margin; x++) grey[y * WIDTH + x] = paper
  for (let line = 0; line < lines; line++)
    for (let y = 60 + line * 15; y < 68 + line * 15; y++)
      for (let x = left; x < WIDTH - 60; x++) if (x % 6 < 3) grey[y * WIDTH + x] = ink
  return { width: WIDTH, height: HEIGHT, grey }
}

/** The mean of the pixels around each: out of focus. */
function unsharp({ width, height, grey }: GreyPicture, by: number): GreyPicture {
  const out = new Uint8Array(grey.length)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [sum, n] = [0, 0]
      for (let dy = -by; dy <= by; dy++)
        for (let dx = -by; dx <= by; dx++) {
          const [u, v] = [x + dx, y + dy]
          if (u < 0 || v < 0 || u >= width || v >= height) continue
          sum += grey[v * width + u]
          n++
        }
      out[y * width + x] = sum / n
    }
  return { width, height, grey: out }
}

test('a sharp picture of a whole paper is good', () => {
  expect(pictureFault(sheet())).toBeNull()
})
test('one of which hardly anything is light is dark', () => {
  expect(pictureFault(sheet({ paper: 80, ink: 5 }))).toBe('dark')
})
test('one out of focus is blurred, and so is one of which no edge is left', () => {
  expect(pictureFault(unsharp(sheet(), 4))).toBe('blurred')
  expect(pictureFault(unsharp(sheet(), 12))).toBe('blurred')
})
test('one with nothing on it is empty', () => {
  expect(pictureFault(sheet({ lines: 0, margin: 0 }))).toBe('empty')
})
test('print that runs into the border is cut off', () => {
  expect(pictureFault(sheet({ left: 0, margin: 0, lines: 32 }))).toBe('cut off')
})

import { type Box, boxAround, type Page } from '../model/index.ts'

/** Degrees that a page may lean before the foot of a column stands a letter's breadth beside its head. */
const LEANS = 0.1

const known = new WeakMap<Page, Page>()

/**
 * A page with its words where they would stand if it did not lean. Down a sheet that leans by two degrees a
 * column moves aside by the width of an amount, and what stands in it would fall to its neighbour.
 */
export function deskewed(page: Page): Page {
  if (Math.abs(page.skew) < LEANS) return page
  let found = known.get(page)
  if (!found) {
    found = {
      ...page,
      skew: 0,
      words: page.words.map((w) => ({ ...w, box: moved(w.box, page, -page.skew) })),
    }
    known.set(page, found)
  }
  return found
}

/** The place on a page, as it leans, of a line's box on the same page made `straight`: around both its ends. */
export function skewed(box: Box, page: Page): Box {
  if (Math.abs(page.skew) < LEANS) return box
  const [l, t, r, b] = box
  const end = Math.min((r - l) / 2, ((b - t) * page.height) / page.width)
  return boxAround([moved([l, t, l + end, b], page, page.skew), moved([r - end, t, r, b], page, page.skew)])
}

/**
 * A box whose middle is turned about the middle of its page. The box itself stays upright and of its size, as
 * the readers leave the words of a leaning page.
 * @param degrees clockwise
 */
function moved([l, t, r, b]: Box, { width, height }: Page, degrees: number): Box {
  const angle = (degrees * Math.PI) / 180
  const [x, y] = [((l + r) / 2 - 0.5) * width, ((t + b) / 2 - 0.5) * height]
  const along = (x * Math.cos(angle) - y * Math.sin(angle)) / width + 0.5 - (l + r) / 2
  const down = (x * Math.sin(angle) + y * Math.cos(angle)) / height + 0.5 - (t + b) / 2
  return [l + along, t + down, r + along, b + down]
}

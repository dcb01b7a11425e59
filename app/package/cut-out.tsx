import { type Box, grow } from '../../core/model/index.ts'
import { pictureUrl, shapeOf } from './sheet.ts'
import { usePackage } from './view.ts'

/** A piece of a page around `box`, in which a line of print is about `line` pixels high, never wider than `most`. */
export function CutOut({
  page,
  box,
  most,
  line = 26,
  margin = 0.012,
  mark = true,
}: {
  page: number
  box: Box | null
  most: number
  line?: number
  margin?: number
  mark?: boolean
}) {
  const { row, sheets } = usePackage()
  const sheet = sheets[page - 1]
  const { width, height } = shapeOf(sheet)
  // Without a place the head of the page stands for it.
  const area = box ? grow(box, margin, (margin * width) / height / 1.6) : ([0, 0, 1, 0.28] as Box)
  const [w, h] = [area[2] - area[0], area[3] - area[1]]
  // The page's width in pixels at which the box's line has the wanted height, kept between readable and blurred.
  const wanted = box
    ? Math.min(
        1500,
        Math.max(420, (line / Math.max(0.008, Math.min(0.03, box[3] - box[1]))) * (width / height)),
      )
    : most
  const across = Math.min(wanted, most / w)
  const shown = { width: across * w, height: Math.min(220, across * (height / width) * h) }
  return (
    <span className="cutout block max-w-full" style={shown}>
      <img
        src={sheet && pictureUrl(row.id, sheet, 'large')}
        alt=""
        loading="lazy"
        className="absolute max-w-none"
        style={{ width: across, left: -area[0] * across, top: -area[1] * across * (height / width) }}
      />
      {box && mark ? (
        <span
          className="absolute rounded-xs bg-[#ffd45e55]"
          style={{
            left: (box[0] - area[0]) * across - 2,
            top: (box[1] - area[1]) * across * (height / width) - 1,
            width: (box[2] - box[0]) * across + 4,
            height: (box[3] - box[1]) * across * (height / width) + 2,
          }}
        />
      ) : null}
    </span>
  )
}

import { colours, type Paper, type TextStyle } from '../sheet.ts'
import type { RGB } from 'pdf-lib'

/** Ways in which forms set labels and values. */
export type Arrangement = 'inline' | 'columns' | 'stack' | 'dots' | 'boxed'

export interface Item {
  label: string
  value: string | string[]
}

/** Draws labelled values from y downwards and returns the y below them. Empty values leave the place for a pen. */
export function block(
  paper: Paper,
  arrangement: Arrangement,
  [x, y, width]: readonly [x: number, y: number, width: number],
  items: readonly Item[],
  options: {
    size?: number
    gap?: number
    columns?: number
    value?: TextStyle
    label?: TextStyle
    accent?: RGB
  } = {},
): number {
  const size = options.size ?? 10
  const gap = options.gap ?? size * 0.95
  const value: TextStyle = { size, ...options.value }
  const label: TextStyle = { size, ...options.label }
  const columns =
    arrangement === 'stack' || arrangement === 'boxed' ? (options.columns ?? 2) : (options.columns ?? 1)
  const wide = width / columns
  let row = y
  let tallest = 0
  items.forEach((item, i) => {
    const at = i % columns
    if (at === 0 && i > 0) {
      row += tallest + gap
      tallest = 0
    }
    const left = x + at * wide
    const lines = typeof item.value === 'string' ? [item.value] : item.value
    const step = size * 1.3
    if (arrangement === 'inline') {
      paper.text(left, row, `${item.label}:`, label)
      const start = left + paper.measure(`${item.label}: `, label)
      lines.forEach((line, n) => paper.text(start, row + n * step, line, value))
      tallest = Math.max(tallest, lines.length * step)
    } else if (arrangement === 'columns') {
      paper.text(left, row, item.label, { colour: colours.grey, ...label })
      lines.forEach((line, n) => paper.text(left + wide * 0.4, row + n * step, line, value))
      tallest = Math.max(tallest, lines.length * step)
    } else if (arrangement === 'dots') {
      paper.text(left, row, item.label, label)
      lines.forEach((line, n) =>
        paper.text(left + wide - 14, row + n * step, line, { ...value, align: 'right' }),
      )
      const from = left + paper.measure(item.label, label) + 4
      const to = left + wide - 18 - paper.measure(lines[0], value)
      if (to > from)
        paper.text(from, row, '.'.repeat(Math.max(0, Math.floor((to - from) / paper.measure('.', label)))), {
          ...label,
          colour: colours.rule,
        })
      tallest = Math.max(tallest, lines.length * step)
    } else if (arrangement === 'stack') {
      paper.text(left, row, item.label, {
        size: size * 0.76,
        colour: options.accent ?? colours.grey,
        ...options.label,
      })
      lines.forEach((line, n) => paper.text(left, row + size * 1.05 + n * step, line, value))
      tallest = Math.max(tallest, size * 1.1 + lines.length * step)
    } else {
      const height = size * 1.5 + lines.length * step + 3
      paper.box([left, row, wide - 6, height], undefined, colours.rule)
      paper.text(left + 4, row + 3, item.label, {
        size: size * 0.74,
        colour: options.accent ?? colours.grey,
        ...options.label,
      })
      lines.forEach((line, n) => paper.text(left + 4, row + size * 1.2 + n * step, line, value))
      tallest = Math.max(tallest, height - gap + 5)
    }
  })
  return row + tallest + gap
}

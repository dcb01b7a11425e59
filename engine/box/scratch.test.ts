import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { clearScratch, makeScratch, sweepScratch } from './scratch.ts'

test('what a killed process left behind is taken away, and what a living one uses stays', () => {
  const { pid: dead } = spawnSync(process.execPath, ['-e', ''])
  const left = join(tmpdir(), `jigsa-reader-${dead}-abc`)
  mkdirSync(left)
  writeFileSync(join(left, 'page.tif'), 'an applicant’s page')
  const used = makeScratch()
  expect(sweepScratch()).toBeGreaterThan(0)
  expect([existsSync(left), existsSync(used)]).toEqual([false, true])
  clearScratch(used)
  expect(existsSync(used)).toBe(false)
})

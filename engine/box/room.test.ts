import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { clearRoom, makeRoom, sweepRooms } from './room.ts'

test('what a killed process left behind is taken away, and what a living one uses stays', () => {
  const { pid: dead } = spawnSync(process.execPath, ['-e', ''])
  const left = join(tmpdir(), `jigsa-reader-${dead}-abc`)
  mkdirSync(left)
  writeFileSync(join(left, 'page.tif'), 'an applicant’s page')
  const used = makeRoom()
  expect(sweepRooms()).toBeGreaterThan(0)
  expect([existsSync(left), existsSync(used)]).toEqual([false, true])
  clearRoom(used)
  expect(existsSync(used)).toBe(false)
})

import { spawn } from 'node:child_process'
import { KeptProcess } from './processes.ts'

const quick = { pause: 10, longest: 40, settled: 60_000, most: 4 }
const lasting = () => spawn('sleep', ['60'])
const until = async (holds: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((done) => setTimeout(done, 20))
  expect(holds()).toBe(true)
}

test('a process that is killed is started again, until it is ended for good', async () => {
  let begun = 0
  const kept = new KeptProcess(
    'worker',
    () => (begun++, lasting()),
    () => undefined,
    quick,
  )
  const first = kept.now
  first.kill('SIGKILL')
  await until(() => begun === 2 && kept.now !== first)
  await kept.end()
  expect(kept.now.signalCode).toBe('SIGTERM')
  await new Promise((done) => setTimeout(done, 60))
  expect(begun).toBe(2)
})
test('one that ends as soon as it begins is given up', async () => {
  let begun = 0
  let givenUp = 0
  const kept = new KeptProcess(
    'worker',
    () => (begun++, spawn('false')),
    () => givenUp++,
    quick,
  )
  await until(() => givenUp === 1)
  expect(begun).toBe(quick.most)
  await kept.end()
})
test('one that had settled is no sooner given up for it', async () => {
  let begun = 0
  const kept = new KeptProcess(
    'worker',
    () => (begun++, spawn('sleep', ['0.05'])),
    () => undefined,
    { ...quick, settled: 20, most: 2 },
  )
  await until(() => begun >= 4)
  await kept.end()
})

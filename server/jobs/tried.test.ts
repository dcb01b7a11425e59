import { tried, type Tries } from './tried.ts'

const job = (attempts: number, last_error: string | null = null): Tries => ({
  job: { attempts, max_attempts: 5, last_error },
})
const task = (fails: boolean) => {
  const done: string[] = []
  return {
    done,
    run: tried(
      'draw_page',
      {
        run: () => (fails ? Promise.reject(new Error('away')) : Promise.resolve(void done.push('ran'))),
        giveUp: () => Promise.resolve(void done.push('given up')),
      },
      (task, _, error) => Promise.resolve(void done.push(`${task} failed: ${error}`)),
    ),
  }
}
const page = { packageId: 'p', number: 1 }

test('an error is the queue’s, which tries again, until the last try', async () => {
  const { run, done } = task(true)
  await expect(run(page, job(1))).rejects.toThrow('away')
  await expect(run(page, job(4, 'away'))).rejects.toThrow('away')
  expect(done).toEqual([])
  await run(page, job(5, 'away'))
  expect(done).toEqual(['given up', 'draw_page failed: Error: away'])
})
test('tries that died without a word count: the work that ends whoever does it is not done again', async () => {
  const { run, done } = task(false)
  await run(page, job(3))
  await run(page, job(4))
  expect(done.slice(0, 2)).toEqual(['ran', 'given up'])
  expect(done[2]).toMatch('no try of it came back')
})
test('a job that failed and said so has all its tries', async () => {
  const { run, done } = task(false)
  await run(page, job(4, 'the store was away'))
  expect(done).toEqual(['ran'])
})
test('what waits for a service that is away goes on, and is no failure', async () => {
  const failed: string[] = []
  const run = tried(
    'open_file',
    { run: () => Promise.reject(new Error('away')), giveUp: () => Promise.resolve('goes on' as const) },
    (task) => Promise.resolve(void failed.push(task)),
  )
  await run({ fileId: 'f' }, job(5, 'away'))
  expect(failed).toEqual([])
})

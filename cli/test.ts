import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { ensureDatabase, startPostgres, type Cluster } from './postgres.ts'

const SOURCES = ['core', 'engine', 'wording', 'server', 'app', 'standins', 'demo', 'bench', 'cli', 'tests']

/** Passed and failed checks of one part. */
interface Count {
  passed: number
  failed: number
}

const work = mkdtempSync(join(tmpdir(), 'jigsa-test-'))
const say = (text: string) => process.stdout.write(`${text}\n`)

/** Runs a command. @param limit milliseconds after which it and what it started are killed */
function run(command: string, args: string[], env: NodeJS.ProcessEnv = {}, limit?: number): Promise<number> {
  return new Promise((done) => {
    const child = spawn(command, args, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
      // A group of its own, so that its workers end with it.
      detached: limit !== undefined,
    })
    if (limit === undefined) {
      child.on('close', (code) => done(code ?? 1))
    } else {
      const kill = () => {
        if (child.pid) process.kill(-child.pid, 'SIGKILL')
      }
      const stopped = () => {
        kill()
        process.exit(130)
      }
      const late = setTimeout(kill, limit)
      // A group of its own hears no Ctrl-C of the terminal.
      process.once('SIGINT', stopped)
      child.on('close', (code) => {
        clearTimeout(late)
        process.off('SIGINT', stopped)
        done(code ?? 1)
      })
    }
    child.on('error', () => done(1))
  })
}

const local = (name: string) => join('node_modules', '.bin', name)
const alone = async (code: Promise<number>): Promise<Count> =>
  (await code) === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }

/** What holds the house in order: rules, form, circles of imports, and what nothing uses. */
const LINTERS: readonly (readonly [command: string, ...words: string[]])[] = [
  ['eslint', '.'],
  ['prettier', '--check', '.', '--log-level', 'warn'],
  ['depcruise', ...SOURCES, '--config', '.dependency-cruiser.mjs', '--output-type', 'err'],
  ['knip', '--no-progress', '--no-config-hints'],
]

/** Runs commands side by side; each is one check. */
async function allOf(commands: typeof LINTERS): Promise<Count> {
  const codes = await Promise.all(commands.map(([command, ...words]) => run(local(command), words)))
  const passed = codes.filter((code) => code === 0).length
  return { passed, failed: codes.length - passed }
}

/**
 * Unit tests take two minutes. Now and then Node.js 20 loses a message between a process and the thread that loads
 * its sources, and that process waits forever.
 */
const UNIT_LIMIT = 8 * 60_000

async function jest(project: string, env: NodeJS.ProcessEnv = {}): Promise<Count> {
  const out = join(work, `${project}.json`)
  const start = (limit?: number) =>
    run(
      process.execPath,
      [
        '--experimental-vm-modules',
        '--disable-warning=ExperimentalWarning',
        'node_modules/jest/bin/jest.js',
        '--selectProjects',
        project,
        '--json',
        '--outputFile',
        out,
        ...(project === 'integration' ? ['--runInBand'] : []),
        // What other processes do is waited for: five seconds would measure the machine.
        ...(project === 'unit' ? [] : ['--testTimeout=60000']),
      ],
      env,
      limit,
    )
  if (project === 'unit') {
    await start(UNIT_LIMIT)
    if (!existsSync(out)) {
      say('unit: a process of the tests stood still; once more')
      await start(UNIT_LIMIT)
    }
  } else await start()
  return read(
    out,
    (report: { numPassedTests: number; numFailedTests: number; numRuntimeErrorTestSuites: number }) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
    }),
  )
}

async function browser(env: NodeJS.ProcessEnv): Promise<Count> {
  const out = join(work, 'browser.json')
  await run(local('playwright'), ['test'], { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: out })
  return read(
    out,
    (report: { stats: { expected: number; unexpected: number; flaky: number }; errors: unknown[] }) => ({
      passed: report.stats.expected + report.stats.flaky,
      failed: report.stats.unexpected + report.errors.length,
    }),
  )
}

/** A part that ended before it could write its report has failed. */
function read<T>(path: string, count: (report: T) => Count): Count {
  try {
    return count(JSON.parse(readFileSync(path, 'utf8')) as T)
  } catch {
    return { passed: 0, failed: 1 }
  }
}

let cluster: Cluster | null = null
async function database(name: string): Promise<{ DATABASE_URL: string; DATABASE_OWNER_URL: string }> {
  cluster ??= await startPostgres(join('.jigsa', 'test-postgres'))
  await ensureDatabase(cluster, name, true)
  return { DATABASE_URL: cluster.url(name), DATABASE_OWNER_URL: cluster.ownerUrl(name) }
}

const parts: Record<string, () => Promise<Count>> = {
  types: async () =>
    alone(run(local('react-router'), ['typegen']).then((code) => code || run(local('tsc'), ['--noEmit']))),
  lint: () => allOf(LINTERS),
  // The processes that the tests run in are started with the same loader.
  unit: () => jest('unit', { NODE_OPTIONS: '--import tsx' }),
  engines: () => jest('engines'),
  integration: async () =>
    jest('integration', {
      ...(await database('integration')),
      AUTH_SECRET: 'only-for-tests-only-for-tests-only',
      LOG_LEVEL: 'silent',
    }),
  browser: async () =>
    browser({
      ...(await database('browser')),
      AUTH_SECRET: 'only-for-tests-only-for-tests-only',
      LOG_LEVEL: 'warn',
    }),
}

const wanted = process.argv.slice(2)
const strange = wanted.find((w) => !(w in parts))
if (strange) {
  say(`jigsa test: there is no part "${strange}"; the parts are ${Object.keys(parts).join(', ')}`)
  process.exit(2)
}
const total: Count = { passed: 0, failed: 0 }
try {
  for (const [name, part] of Object.entries(parts)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue
    say(`\n── ${name}`)
    const started = Date.now()
    const count = await part().catch((error: unknown) => {
      say(String(error))
      return { passed: 0, failed: 1 }
    })
    say(
      `${name}: ${count.passed} passed, ${count.failed} failed, ${Math.round((Date.now() - started) / 1000)} s`,
    )
    total.passed += count.passed
    total.failed += count.failed
  }
} finally {
  await (cluster as Cluster | null)?.stop()
  rmSync(resolve(work), { recursive: true, force: true })
}
say(`\n${total.passed} passed, ${total.failed} failed`)
process.exitCode = total.failed > 0 ? 1 : 0

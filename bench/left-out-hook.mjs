// Loaded before everything else by a run that leaves a designer out: what was fitted comes from JIGSA_FITTED, a
// folder, instead of from where it is kept. Threads load it as well.
import { register } from 'node:module'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

const fitted = pathToFileURL(resolve(process.env.JIGSA_FITTED ?? ''))

register(
  `data:text/javascript,${encodeURIComponent(`
    import { existsSync } from 'node:fs'
    const places = /\\/(?:demo\\/lenders\\/merrow-sound|core\\/classification|core\\/extraction\\/scoring|core\\/reconciliation)\\/([^/]+)$/
    export async function resolve(specifier, context, next) {
      const found = await next(specifier, context)
      const name = places.exec(found.url.split('?')[0])?.[1]
      const instead = new URL(${JSON.stringify(`${fitted}/`)} + name)
      return name?.endsWith('.json') && existsSync(instead) ? { ...found, url: instead.href } : found
    }
  `)}`,
  import.meta.url,
)

import { LRUCache } from 'lru-cache'
import { openSource, type Source } from '../../engine/input/source.ts'
import { fetchContents } from '../storage/contents.ts'

/**
 * Files this worker has open. Page after page of one file is read, and opening it anew each time would cost
 * more than the page.
 */
const open = new LRUCache<string, Promise<Source>>({
  max: 4,
  dispose: (source) =>
    void source.then(
      (s) => s.close(),
      () => undefined,
    ),
})

/** The open file of a hash. @throws UnusableFile */
export function sourceOf(sha256: string): Promise<Source> {
  let source = open.get(sha256)
  if (!source) {
    source = fetchContents(sha256).then((bytes) => openSource(bytes))
    source.catch(() => open.delete(sha256))
    open.set(sha256, source)
  }
  return source
}

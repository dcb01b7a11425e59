import { useCallback, useEffect } from 'react'
import { useFetcher } from 'react-router'
import type { Answer } from '../../core/answers/index.ts'
import type { Box } from '../../core/model/index.ts'
import type { Taught } from '../../server/configuration/teaching.ts'
import { usePackage } from './view.ts'

interface Outcome {
  problem: string | null
  said: string | null
  taught?: Taught[]
}

/** Says something about the package; the screen follows once the server has judged it again. */
export function useSay() {
  const {
    row,
    undo: { seen },
  } = usePackage()
  const fetcher = useFetcher<Outcome>({ key: `say-${row.id}` })
  const { submit } = fetcher
  const send = useCallback(
    (body: unknown) =>
      void submit(body as Parameters<typeof submit>[0], {
        method: 'post',
        action: `/packages/${row.id}/answers`,
        encType: 'application/json',
      }),
    [submit, row.id],
  )
  return {
    answer: useCallback((...answers: Answer[]) => send({ act: 'answer', answers, seen }), [send, seen]),
    typed: useCallback(
      (page: number, field: string, text: string, at: { page: number; box: Box } | null) =>
        send({ act: 'typed', page, field, text, at, seen }),
      [send, seen],
    ),
    undo: useCallback(() => send({ act: 'undo' }), [send]),
    redo: useCallback(() => send({ act: 'redo' }), [send]),
    busy: fetcher.state !== 'idle',
    problem: fetcher.state === 'idle' ? (fetcher.data?.problem ?? null) : null,
    outcome: fetcher.state === 'idle' ? fetcher.data : undefined,
  }
}

/** Calls `done` each time something said was taken without a problem. */
export function useTaken(say: ReturnType<typeof useSay>, done: () => void): void {
  const { outcome } = say
  useEffect(() => {
    if (outcome && !outcome.problem) done()
    // `done` is new on every render; only a new outcome counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [outcome])
}

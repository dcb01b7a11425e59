import { useSyncExternalStore } from 'react'

/** A file on its way from this browser. */
export interface Upload {
  id: string
  packageId: string
  name: string
  size: number
  sent: number
  state: 'waiting' | 'sending' | 'sent' | 'failed'
  /** Why it failed, or what the server remarked. */
  note: string | null
}

/**
 * Files being sent, outside of any screen: a person goes elsewhere and the sending goes on. Two at once,
 * since more only share the same line.
 */
let uploads: readonly Upload[] = []
const files = new Map<string, File>()
const listeners = new Set<() => void>()
const AT_ONCE = 2

const change = (id: string, part: Partial<Upload>) => {
  uploads = uploads.map((u) => (u.id === id ? { ...u, ...part } : u))
  for (const listener of listeners) listener()
}

export function sendFiles(packageId: string, chosen: readonly File[]): void {
  for (const file of chosen) {
    const id = crypto.randomUUID()
    files.set(id, file)
    uploads = [
      ...uploads,
      { id, packageId, name: file.name, size: file.size, sent: 0, state: 'waiting', note: null },
    ]
  }
  for (const listener of listeners) listener()
  pump()
}

/** Tries a failed file again. */
export function sendAgain(id: string): void {
  change(id, { state: 'waiting', sent: 0, note: null })
  pump()
}

/** Takes a finished or failed file off the list. */
export function forget(id: string): void {
  files.delete(id)
  uploads = uploads.filter((u) => u.id !== id)
  for (const listener of listeners) listener()
}

function pump(): void {
  const sending = uploads.filter((u) => u.state === 'sending').length
  for (const next of uploads.filter((u) => u.state === 'waiting').slice(0, AT_ONCE - sending)) send(next)
}

function send({ id, packageId, name }: Upload): void {
  const request = new XMLHttpRequest()
  request.open('POST', `/packages/${packageId}/bring?name=${encodeURIComponent(name)}`)
  request.setRequestHeader('Content-Type', 'application/octet-stream')
  request.upload.onprogress = (event) => change(id, { sent: event.loaded })
  const failed = (note: string) => {
    change(id, { state: 'failed', note })
    pump()
  }
  request.onerror = () => failed('The line broke. Nothing was kept; send it again.')
  request.onload = () => {
    const answer = parse(request.responseText)
    if (request.status >= 400) return failed(answer.problem ?? 'The server did not take it.')
    files.delete(id)
    change(id, {
      state: 'sent',
      note: answer.problem ?? (answer.twin ? `The same file is also in package ${answer.twin}.` : null),
    })
    pump()
  }
  change(id, { state: 'sending' })
  request.send(files.get(id))
}

function parse(text: string): { problem?: string | null; twin?: string | null } {
  try {
    return JSON.parse(text) as { problem?: string | null; twin?: string | null }
  } catch {
    return {}
  }
}

if (typeof window !== 'undefined')
  window.addEventListener('beforeunload', (event) => {
    if (uploads.some((u) => u.state === 'waiting' || u.state === 'sending')) event.preventDefault()
  })

const none: readonly Upload[] = []

/** All uploads of this browser as they are now. */
export const uploadsNow = (): readonly Upload[] => uploads

/** All uploads of this browser, as they go. */
export const useUploads = (): readonly Upload[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => void listeners.delete(listener)
    },
    uploadsNow,
    () => none,
  )

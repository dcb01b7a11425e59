/** What a message that no person wrote to us is; null for one that a person may have written. */
export type AutomaticKind = 'bounce' | 'away' | 'spam' | 'list' | 'machine'

/** Gives a field of a message's head by its name in small letters; undefined where it is not there. */
export type HeadField = (name: string) => string | undefined

/** Who answers for a mail server and never for an applicant. */
const SERVERS_OWN = /^(?:mailer-daemon|postmaster|mail-daemon)@/i
/** What out-of-office programs that know no standard put before the subject. */
const AWAY_SUBJECT =
  /^(?:auto(?:matic)?[ -]?reply|out of (?:the )?office|réponse automatique|absence du bureau|respuesta automática|fuera de la oficina)\b/i

/**
 * Tells by its head what wrote a message (RFC 3834, RFC 3464, RFC 2919, RFC 2369). A copier that mails what it scanned
 * is a machine like any other: its papers are taken, and it is never answered.
 */
export function automaticKind(head: HeadField): AutomaticKind | null {
  const is = (name: string, pattern: RegExp) => pattern.test(head(name) ?? '')
  const from = /<([^<>]*)>\s*$/.exec(head('from') ?? '')?.[1] ?? head('from') ?? ''
  if (
    is('content-type', /^multipart\/report\b/i) ||
    is('return-path', /^<\s*>$/) ||
    SERVERS_OWN.test(from.trim())
  )
    return 'bounce'
  if (is('x-spam-flag', /^yes/i) || is('x-spam-status', /^yes/i)) return 'spam'
  if (
    is('auto-submitted', /^auto-replied/i) ||
    is('x-autoreply', /./) ||
    is('x-autorespond', /./) ||
    is('precedence', /^auto_reply/i) ||
    AWAY_SUBJECT.test((head('subject') ?? '').trim())
  )
    return 'away'
  if (is('list-id', /./) || is('list-unsubscribe', /./) || is('precedence', /^(?:bulk|list|junk)/i))
    return 'list'
  return is('auto-submitted', /^(?!no\b)./i) || is('x-auto-response-suppress', /\b(?:all|autoreply|oof)\b/i)
    ? 'machine'
    : null
}

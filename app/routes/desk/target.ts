/** Only addresses of our own are gone back to: a link must not send people elsewhere after they signed in. */
export const target = (request: Request): string => {
  const to = new URL(request.url).searchParams.get('to') ?? '/packages'
  return /^\/(?![/\\])[\x20-\x7e]*$/.test(to) ? to : '/packages'
}
